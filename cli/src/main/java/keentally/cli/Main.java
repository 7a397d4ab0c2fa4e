package keentally.cli;

import keentally.study.Program;
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

    /** @return the exit status: 0 all well, 1 some picture failed, 2 wrong words, 3 the method cannot work */
    public static int execute(String... words) {
        return new CommandLine(new Main())
                .setExecutionExceptionHandler((e, line, parsed) -> {
                    line.getErr().println(e.getMessage());
                    return Status.of(e);
                })
                .execute(words.length == 0 ? new String[] {"--help"} : words);
    }

    static final class Version implements CommandLine.IVersionProvider {
        @Override
        public String[] getVersion() {
            return new String[] {Program.NAME + " " + Program.VERSION};
        }
    }
}
