/**
 * What is shown and done, without a window. {@link keentally.desk.model.DeskModel} is the one door: every action goes through it
 * into the journal, every run comes back through it. Observable values change on the interface thread only.
 */
package keentally.desk.model;
