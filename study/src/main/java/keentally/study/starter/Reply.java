package keentally.study.starter;

import java.util.ArrayList;
import java.util.List;
import keentally.core.method.Method;
import keentally.core.run.RunFault;
import keentally.core.run.Runner;
import keentally.core.starter.FirstLook;
import keentally.core.starter.Starter;
import keentally.core.starter.Suggestion;
import keentally.core.step.State;
import keentally.core.step.StepFault;
import keentally.core.work.Cancel;
import keentally.study.caution.Caution;
import keentally.study.caution.PictureCautions;
import keentally.study.run.SampleOrder;
import keentally.study.run.SampleRun;

/**
 * What a question is answered by: the answer, what may be wrong with it, and the method that gave it.
 *
 * @param cautions all, as the run gave them
 */
public record Reply(Suggestion suggestion, Told told, List<Caution> cautions) {
    /**
     * The likeliest first; none where the sample does not let the question be asked.
     *
     * @param empty whose name, unit and measures the methods get
     * @param look at the same sample
     * @param most replies
     */
    public static List<Reply> to(
            Starter question,
            SampleOrder order,
            Method empty,
            FirstLook look,
            int most,
            Runner runner,
            PictureCautions checks,
            Cancel cancel) {
        List<Reply> replies = new ArrayList<>();
        for (Suggestion suggestion : question.suggestions(empty, look, runner.work(cancel))) {
            if (replies.size() < most) {
                try {
                    replies.add(of(suggestion, order, checks, runner, cancel));
                } catch (RunFault | StepFault e) {
                    // what does not go on all of the sample is no answer
                }
            }
        }
        return replies;
    }

    /** @throws RunFault where the method does not go on all of the sample */
    public static Reply of(
            Suggestion suggestion, SampleOrder order, PictureCautions checks, Runner runner, Cancel cancel)
            throws RunFault, StepFault {
        SampleRun run = SampleRun.of(order, suggestion.method(), runner, checks, cancel);
        if (run.fault().isPresent()) {
            throw run.fault().get();
        }
        State end = run.readings().orElseThrow().state();
        Told told = Told.of(
                suggestion.answer(end, runner.work(cancel)), suggestion.spread(runner.work(cancel)), end.scale());
        return new Reply(suggestion, told, run.cautions());
    }
}
