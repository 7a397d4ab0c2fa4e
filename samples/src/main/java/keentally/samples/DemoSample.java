package keentally.samples;

import keentally.core.method.Method;
import keentally.core.picture.Picture;
import keentally.core.quantity.Scale;

/**
 * A demo picture with what is true of it and a method that finds that.
 *
 * @param id for file names
 * @param title for people
 */
public record DemoSample(String id, String title, Picture picture, Scale scale, Truth truth, Method method) {}
