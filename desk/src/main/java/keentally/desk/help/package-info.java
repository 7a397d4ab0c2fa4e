/**
 * Help beside the picture: {@link keentally.desk.help.HelpSide} tells of a {@link keentally.desk.help.Topic}: a station with its settings, a
 * measure, a caution, or why a number is what it is. Knows the model, not the window.
 */
package keentally.desk.help;
