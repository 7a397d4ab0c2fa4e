package keentally.cli;

import keentally.core.method.MethodFault;
import keentally.core.work.CancelledException;
import keentally.study.Program;
import keentally.study.file.FileFault;
import org.slf4j.LoggerFactory;
import picocli.CommandLine;
import picocli.CommandLine.Command;

/** Where {@code keen-tally} comes in for everything but the window. */
@Command(
        name = "keen-tally",
        description = "From a picture to counts, areas and shares, with every number accounted for.",
        mixinStandardHelpOptions = true,
        versionProvider = Main.Version.class,
        synopsisSubcommandLabel = "COMMAND",
        subcommands = {
            RunCommand.class,
            MergeCommand.class,
            ReportCommand.class,
            RerunCommand.class,
            WatchCommand.class,
            TrainCommand.class,
            AskCommand.class,
            ExampleCommand.class,
            SamplesCommand.class,
            StepsCommand.class,
            MeasuresCommand.class
        },
        footer = {
            "",
            "With a window:",
            "  demo                   the desk with the demo pictures (no display: the full example instead)",
            "  desk [STUDY|IMAGE...]  the desk",
        })
public final class Main {
    private Main() {}

    public static void main(String[] words) {
        System.exit(execute(words));
    }

    /** @return the exit status: 0 all well, 1 something failed, 2 wrong words, 3 the method cannot work */
    public static int execute(String... words) {
        CommandLine line = line();
        int status;
        try {
            status = line.execute(words.length == 0 ? new String[] {"--help"} : words);
        } catch (OutOfMemoryError | StackOverflowError e) {
            line.getErr().println(sentence(e));
            return Status.SOME_FAILED;
        }
        boolean lost = line.getOut().checkError() | System.out.checkError();
        if (lost) {
            line.getErr().println("Not all could be written to standard output: it is closed, or its disk is full.");
        }
        return lost && status == Status.WELL ? Status.SOME_FAILED : status;
    }

    /** All commands. */
    static CommandLine line() {
        return new CommandLine(new Main())
                .setExpandAtFiles(false) // a file may be called @name
                .setExecutionExceptionHandler((e, command, parsed) -> {
                    command.getErr().println(sentence(e));
                    return Status.of(e);
                });
    }

    /** What was foreseen tells itself; anything else is a defect, of which the log has the details. */
    private static String sentence(Throwable e) {
        return switch (e) {
            case FileFault f -> f.getMessage();
            case MethodFault f -> f.getMessage();
            case BadMethodFile f -> f.getMessage();
            case CancelledException c -> "Stopped; everything is as it was before.";
            case OutOfMemoryError o ->
                "There is not enough memory for this; give the program more, or take smaller pictures.";
            default -> {
                LoggerFactory.getLogger(Main.class).error("a command fell", e);
                yield "Something went wrong inside the program; " + Program.log() + " says more.";
            }
        };
    }

    static final class Version implements CommandLine.IVersionProvider {
        @Override
        public String[] getVersion() {
            return new String[] {Program.NAME + " " + Program.VERSION};
        }
    }
}
