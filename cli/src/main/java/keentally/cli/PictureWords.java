package keentally.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import keentally.study.document.PictureRef;
import keentally.study.document.PictureRef.Source;
import keentally.study.file.FileFault;
import keentally.study.picture.PictureReader;
import keentally.study.picture.PictureReader.Survey;
import keentally.study.result.SampleNames;
import picocli.CommandLine.Option;

/** What of which files is a sample: the pictures named on the command line, and what their pages are. */
final class PictureWords {
    /** What the pages of a file are. */
    enum Pages {
        FIRST,
        EACH,
        CHANNELS
    }

    @Option(names = "--page", paramLabel = "N", description = "Page of files with several, from 1.")
    private Integer page;

    @Option(
            names = "--pages",
            paramLabel = "WHAT",
            description =
                    "What the pages of a file are: first (only the first counts), each (a sample each) or channels (of one sample).")
    private String pages;

    @Option(
            names = "--channels",
            paramLabel = "NAME=FILE,...",
            description =
                    "Grey files that are the channels of one more sample, under the names given. May be repeated.")
    private List<String> channels = List.of();

    /**
     * A sample to be.
     *
     * @param name empty for that of its file
     * @param settled whether it was said which page of its file counts
     */
    record PictureRequest(Optional<String> name, PictureRef picture, boolean settled) {}

    /** @throws IllegalArgumentException in a sentence, where the words do not go together */
    List<PictureRequest> wanted(List<Path> pictures) {
        if (page != null && pages != null) {
            throw new IllegalArgumentException("--page and --pages both say which pages count; give one of them");
        }
        if (page != null && page < 1) {
            throw new IllegalArgumentException("--page counts from 1, but was " + page);
        }
        if (pictures.isEmpty() && channels.isEmpty()) {
            throw new IllegalArgumentException("name at least one picture, or --channels");
        }
        List<PictureRequest> wanted = new ArrayList<>();
        List<String> names = SampleNames.ofFiles(pictures);
        for (int i = 0; i < pictures.size(); i++) {
            wanted.addAll(wanted(pictures.get(i), names.get(i)));
        }
        channels.forEach(c -> wanted.add(joined(c)));
        return wanted;
    }

    private List<PictureRequest> wanted(Path picture, String name) {
        Pages are = pages == null ? Pages.FIRST : read(pages);
        boolean settled = page != null || pages != null;
        List<PictureRequest> plain =
                List.of(new PictureRequest(Optional.empty(), PictureRef.of(picture, page == null ? 1 : page), settled));
        if (are == Pages.FIRST) {
            return plain;
        }
        Survey survey;
        try {
            survey = PictureReader.survey(picture);
        } catch (FileFault e) {
            return plain; // reading it fails again in its turn, and is its row
        }
        if (survey.pages() == 1) {
            return plain;
        }
        return are == Pages.EACH
                ? IntStream.rangeClosed(1, survey.pages())
                        .mapToObj(p -> new PictureRequest(Optional.of(name + "-" + p), PictureRef.of(picture, p), true))
                        .toList()
                : List.of(new PictureRequest(Optional.of(name), channelsOf(survey), true));
    }

    private static Pages read(String word) {
        if (word.equalsIgnoreCase("slices")) {
            throw new IllegalArgumentException(
                    "slices of one body are not measured as one: every number here is of a flat"
                            + " picture; take them as samples with --pages each");
        }
        try {
            return Pages.valueOf(word.toUpperCase(Locale.ROOT));
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("--pages is first, each or channels, but was \"" + word + "\"", e);
        }
    }

    /** Under the names that the file gives its pages, else by their numbers. */
    private static PictureRef channelsOf(Survey survey) {
        boolean named = survey.channelNames().size() == survey.pages();
        return new PictureRef(IntStream.rangeClosed(1, survey.pages())
                .mapToObj(p -> new Source(
                        named ? survey.channelNames().get(p - 1) : "page-" + p, survey.file(), p, Optional.empty()))
                .toList());
    }

    private static PictureRequest joined(String words) {
        List<Source> sources = new ArrayList<>();
        for (String word : words.split(",")) {
            int at = word.indexOf('=');
            if (at < 1 || at == word.length() - 1) {
                throw new IllegalArgumentException(
                        "--channels wants \"name=FILE,name=FILE\", but found \"" + word.strip() + "\"");
            }
            Path file = Path.of(word.substring(at + 1).strip());
            sources.add(new Source(word.substring(0, at).strip(), file, 1, Optional.empty()));
        }
        return new PictureRequest(Optional.empty(), new PictureRef(sources), true);
    }
}
