package keentally.desk.model;

import java.util.List;
import java.util.Optional;
import keentally.core.run.Readings;
import keentally.core.run.Run;
import keentally.core.run.RunFault;
import keentally.core.view.ObjectColours;
import keentally.study.caution.Caution;

/**
 * A run as it came back.
 *
 * @param run the stations that could be done
 * @param fault why the next one could not
 * @param readings the numbers at the end, where it was reached
 * @param colours of the final objects
 */
public record Shown(
        Run run,
        Optional<RunFault> fault,
        Optional<Readings> readings,
        Optional<ObjectColours> colours,
        List<Caution> cautions) {
    public Shown {
        cautions = List.copyOf(cautions);
    }
}
