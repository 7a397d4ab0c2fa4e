/**
 * What a study is: samples and a method, as {@link keentally.study.document.Thing}s that are never changed, only replaced. The
 * {@link keentally.study.document.Journal} is the one door for replacing them, and so knows how to undo.
 */
package keentally.study.document;
