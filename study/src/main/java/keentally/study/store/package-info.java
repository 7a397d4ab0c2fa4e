/**
 * The study file: an SQLite database that holds every thing as it is and was, and the actions that made it so.
 *
 * <p>Come in by {@link keentally.study.store.StudyFile}: it opens, locks, keeps, copies and packs. A <em>keeper</em> thread of
 * its own writes each move of the journal in one transaction; what it has said to be kept survives a killed process.
 * {@link keentally.study.store.PictureShelf} finds the pictures that a study refers to.
 */
package keentally.study.store;
