package keentally.core.step;

import keentally.core.setting.Setting;
import keentally.core.setting.Values;

/** A step that fits itself to each picture, and can be held at what it found: then it does the same without fitting. */
public interface Fitting {
    /** Whether it fits anything as it is, and is not held or set by hand already. */
    boolean fits();

    /** Whether what is found hangs on a setting. */
    boolean hangsOn(Setting<?> setting);

    /**
     * The values that hold what it finds.
     *
     * @param now the values that it was made of
     * @param before what it is fitted to
     * @throws StepFault where it finds nothing, or what it finds means nothing on another picture
     */
    Values held(Values now, State before, Site site) throws StepFault;
}
