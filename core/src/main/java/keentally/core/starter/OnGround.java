package keentally.core.starter;

import java.util.List;
import keentally.core.find.LightGround;
import keentally.core.method.Method;

/** How a method leaves out the light ground that a sample lies on. */
public final class OnGround {
    private OnGround() {}

    /** With steps at the end that go on within all that is not this ground, but for specks and small holes. */
    public static Method leaveOut(LightGround ground, Method method) {
        return method.then("similar-colour", "colours", List.of(ground.colour().toString()), "distance", ground.reach())
                .then("invert-mask")
                .then("remove-specks", "below", "64 px2")
                .then("fill-holes", "upTo", "64 px2")
                .then("within");
    }
}
