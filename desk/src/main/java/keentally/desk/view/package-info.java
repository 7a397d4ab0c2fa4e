/** Everything round the picture and the method: window, rail, slide tray, table of objects, status line, menus. */
package keentally.desk.view;
