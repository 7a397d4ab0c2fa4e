/** Teaching a station by examples: strokes on the stage, what comes of them at once, scores that can be believed, and where to paint next. */
package keentally.desk.training;
