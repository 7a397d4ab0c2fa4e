/** Starters: questions about the picture on the stage, each with a preview and its number, one click to take. */
package keentally.desk.starter;
