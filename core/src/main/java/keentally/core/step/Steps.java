package keentally.core.step;

import java.util.List;
import java.util.Optional;

/** The list of all kinds of step, in the order of the work. */
public final class Steps {
    private static final List<StepDescription> ALL = List.of(
            ChannelStep.DESCRIPTION,
            UnmixDyesStep.DESCRIPTION,
            SmoothStep.DESCRIPTION,
            FlattenStep.DESCRIPTION,
            StretchStep.DESCRIPTION,
            EqualiseStep.DESCRIPTION,
            LocalContrastStep.DESCRIPTION,
            InvertStep.DESCRIPTION,
            SharpenStep.DESCRIPTION,
            GradientStep.DESCRIPTION,
            TopHatStep.DESCRIPTION,
            ThresholdStep.DESCRIPTION,
            LocalThresholdStep.DESCRIPTION,
            LevelsStep.DESCRIPTION,
            ColourRangeStep.DESCRIPTION,
            SimilarColourStep.DESCRIPTION,
            ClusterStep.DESCRIPTION,
            ClassifyStep.DESCRIPTION,
            ScribbleCutStep.DESCRIPTION,
            RefineEdgesStep.DESCRIPTION,
            BringMaskStep.DESCRIPTION,
            GroupPhasesStep.DESCRIPTION,
            PickPhaseStep.DESCRIPTION,
            WithinStep.DESCRIPTION,
            RejoinStep.DESCRIPTION,
            ProbeStep.ERODE,
            ProbeStep.DILATE,
            ProbeStep.OPEN,
            ProbeStep.CLOSE,
            FillHolesStep.DESCRIPTION,
            RemoveSpecksStep.DESCRIPTION,
            InvertMaskStep.DESCRIPTION,
            SkeletonStep.DESCRIPTION,
            HullStep.DESCRIPTION,
            RimStep.DESCRIPTION,
            SetAsideStep.DESCRIPTION,
            CombineStep.DESCRIPTION,
            PaintStep.DESCRIPTION,
            SplitTouchingStep.DESCRIPTION,
            GrowRegionsStep.DESCRIPTION,
            LabelStep.DESCRIPTION,
            MergeSimilarStep.DESCRIPTION,
            EdgeObjectsStep.DESCRIPTION,
            GateStep.DESCRIPTION,
            EditObjectsStep.DESCRIPTION,
            SortRegionsStep.DESCRIPTION,
            SortObjectsStep.DESCRIPTION,
            ObjectsToMaskStep.DESCRIPTION);

    private Steps() {}

    public static List<StepDescription> all() {
        return ALL;
    }

    /** The step of an id of the catalogue, such as {@code threshold}. */
    public static Optional<StepDescription> find(String id) {
        return ALL.stream().filter(d -> d.id().equals(id)).findFirst();
    }
}
