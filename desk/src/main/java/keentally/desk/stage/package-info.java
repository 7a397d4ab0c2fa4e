/** The picture: painted by a worker into a buffer of the window's size, shown and moved about by the interface thread. */
package keentally.desk.stage;
