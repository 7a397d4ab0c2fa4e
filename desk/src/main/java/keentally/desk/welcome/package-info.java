/**
 * What stands in place of the picture while there is none: {@link keentally.desk.welcome.Welcome} with one's own picture, recent work and the
 * demo study, which {@link keentally.desk.welcome.DemoOpening} draws. Knows the model, not the window.
 */
package keentally.desk.welcome;
