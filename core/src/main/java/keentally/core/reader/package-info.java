/** Who reads: in which language and with which decimal mark. Nothing else of the core stands below it. */
package keentally.core.reader;
