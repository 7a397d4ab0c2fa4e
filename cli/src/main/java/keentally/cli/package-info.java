/** The command line: thin. Reads words, calls {@code study} and {@code samples}, says what came of it, and sets the exit status. */
package keentally.cli;
