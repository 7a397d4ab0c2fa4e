/** How the desk looks and speaks: themes, fonts, texts, and our own small drawings on buttons. */
package keentally.desk.look;
