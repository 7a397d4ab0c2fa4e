/** The method line along the top and the panel of the selected station. */
package keentally.desk.station;
