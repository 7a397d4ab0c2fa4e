/** The objects' numbers seen together: how they are spread. */
package keentally.desk.objects;
