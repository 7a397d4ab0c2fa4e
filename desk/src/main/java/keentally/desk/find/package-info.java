/** Finding: commands, settings, measures, help and cautions by what people call them. */
package keentally.desk.find;
