/**
 * The demo pictures of the Millrace grain and bread laboratory, which is made up: drawn by code from fixed seeds, with all that
 * is true of them known. {@link keentally.samples.DemoSamples} lists them, {@link
 * keentally.samples.DemoFiles} writes them down.
 */
package keentally.samples;
