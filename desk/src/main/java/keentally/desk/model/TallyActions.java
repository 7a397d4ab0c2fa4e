package keentally.desk.model;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import keentally.core.colour.Rgb;
import keentally.core.geometry.Point;
import keentally.core.hand.Glyph;
import keentally.core.hand.Mark;
import keentally.core.hand.Marks;
import keentally.core.hand.TallyClass;
import keentally.desk.look.Texts;
import keentally.study.document.Study;
import keentally.study.result.MarksFile;

/** What is counted by hand, on the sample on the stage: marks, classes, and marks that come from files. */
public final class TallyActions {
    /** More cannot be told apart by their glyphs, nor reached by a key. */
    public static final int MOST_CLASSES = 9;

    /** Colours that marks can have, those that new classes get first. */
    public static final List<Rgb> COLOURS = IntStream.of(
                    0xf0c75e, 0x6fb0cf, 0xb5532d, 0x2fa08f, 0xe3a8c4, 0x9cc25a, 0x9a4f8e, 0xf7ead0, 0x2b6d94, 0x27335f,
                    0x5a3413, 0x7c8288)
            .mapToObj(Rgb::from)
            .toList();

    private final DeskModel desk;

    public TallyActions(DeskModel desk) {
        this.desk = desk;
    }

    /** What a counter has counted on the sample on the stage. */
    public Marks marks(String counter) {
        return desk.study().get().tallies(desk.sampleId().get()).getOrDefault(counter, Marks.NONE);
    }

    private void change(String title, String counter, UnaryOperator<Marks> how) {
        String sample = desk.sampleId().get();
        if (!sample.isEmpty()) {
            desk.act(
                    title,
                    s -> s.withTally(
                            sample, counter, how.apply(s.tallies(sample).getOrDefault(counter, Marks.NONE))));
        }
    }

    /** Counts one more, now. @param at in pixels */
    public void place(String counter, TallyClass kind, Point at) {
        Mark mark = new Mark(at, kind.id(), System.currentTimeMillis() / 1000);
        change(Texts.of("action.tally.place", kind.name()), counter, m -> m.and(mark));
    }

    public void move(String counter, int index, Point to) {
        change(
                Texts.of("action.tally.move"),
                counter,
                m -> m.with(index, m.list().get(index).moved(to)));
    }

    public void remove(String counter, int index) {
        change(Texts.of("action.tally.remove"), counter, m -> m.without(index));
    }

    /** Adds a class, with a glyph and a colour that no other has. @throws IllegalArgumentException in a sentence */
    public TallyClass add(String name) {
        List<TallyClass> classes = desk.study().get().classes();
        TallyClass fresh = fresh(classes, name.strip());
        List<TallyClass> more = new ArrayList<>(classes);
        more.add(fresh);
        desk.act(Texts.of("action.tally.add-class", fresh.name()), s -> s.withClasses(more));
        return fresh;
    }

    private static TallyClass fresh(List<TallyClass> classes, String name) {
        if (classes.size() >= MOST_CLASSES) {
            throw new IllegalArgumentException(Texts.of("tally.many-classes", String.valueOf(MOST_CLASSES)));
        }
        checkName(classes, name, "");
        Set<String> ids = classes.stream().map(TallyClass::id).collect(Collectors.toSet());
        int number = classes.size() + 1;
        while (ids.contains("c" + number)) {
            number++;
        }
        Glyph glyph = Arrays.stream(Glyph.values())
                .filter(g -> classes.stream().noneMatch(c -> c.glyph() == g))
                .findFirst()
                .orElse(Glyph.CROSS);
        Rgb colour = COLOURS.stream()
                .filter(r -> classes.stream().noneMatch(c -> c.colour().equals(r)))
                .findFirst()
                .orElse(COLOURS.getFirst());
        return new TallyClass("c" + number, name, glyph, colour);
    }

    /** Whose marks these are, on all samples, goes by another name. @throws IllegalArgumentException in a sentence, where somebody has it */
    public void renameCounter(String before, String after) {
        String name = after.strip();
        Study study = desk.study().get();
        if (name.isEmpty()) {
            throw new IllegalArgumentException(Texts.of("tally.counter.no-name"));
        }
        boolean known =
                study.samples().stream().anyMatch(id -> study.tallies(id).containsKey(name));
        if (known && !name.equals(before)) {
            throw new IllegalArgumentException(Texts.of("tally.counter.known", name));
        }
        if (!name.equals(before) && marksBy(before) > 0) {
            desk.act(Texts.of("action.tally.counter", before), s -> {
                Study next = s;
                for (String id : s.samples()) {
                    Marks marks = s.tallies(id).getOrDefault(before, Marks.NONE);
                    next = next.withTally(id, before, Marks.NONE);
                    next = marks.list().isEmpty() ? next : next.withTally(id, name, marks);
                }
                return next;
            });
        }
    }

    /** How many things somebody has counted, on all samples. */
    public int marksBy(String who) {
        Study study = desk.study().get();
        return study.samples().stream()
                .mapToInt(id ->
                        study.tallies(id).getOrDefault(who, Marks.NONE).list().size())
                .sum();
    }

    /** Takes out all that somebody has counted, on all samples. */
    public void removeCounter(String who) {
        desk.act(Texts.of("action.tally.counter.remove", who), s -> {
            Study next = s;
            for (String id : s.samples()) {
                next = next.withTally(id, who, Marks.NONE);
            }
            return next;
        });
    }

    private static void checkName(List<TallyClass> classes, String name, String id) {
        if (name.isBlank()) {
            throw new IllegalArgumentException(Texts.of("tally.no-name"));
        }
        if (classes.stream().anyMatch(c -> c.name().equals(name) && !c.id().equals(id))) {
            throw new IllegalArgumentException(Texts.of("tally.twice", name));
        }
    }

    /** @throws IllegalArgumentException in a sentence, where another class is called so */
    public void rename(TallyClass kind, String name) {
        checkName(desk.study().get().classes(), name.strip(), kind.id());
        replace(Texts.of("action.tally.rename", kind.name()), kind.named(name.strip()));
    }

    public void colour(TallyClass kind, Rgb colour) {
        replace(Texts.of("action.tally.colour", kind.name()), kind.coloured(colour));
    }

    public void draw(TallyClass kind, Glyph glyph) {
        replace(Texts.of("action.tally.glyph", kind.name()), kind.drawn(glyph));
    }

    private void replace(String title, TallyClass other) {
        desk.act(
                title,
                s -> s.withClasses(s.classes().stream()
                        .map(c -> c.id().equals(other.id()) ? other : c)
                        .toList()));
    }

    /** Takes a class out, and every mark of it, on every sample. */
    public void removeClass(TallyClass kind) {
        desk.act(
                Texts.of("action.tally.remove-class", kind.name()),
                s -> s.withClasses(s.classes().stream()
                        .filter(c -> !c.id().equals(kind.id()))
                        .toList()));
    }

    /** How many marks a class has, on every sample and by every counter. */
    public int marksOf(TallyClass kind) {
        Study study = desk.study().get();
        return study.samples().stream()
                .flatMap(s -> study.tallies(s).values().stream())
                .mapToInt(m -> m.counts().getOrDefault(kind.id(), 0))
                .sum();
    }

    /**
     * Takes in marks from a file, on the sample that {@code at} says: classes are found by name, or added; counters by theirs, or they
     * are {@code counter}'s. Marks that are there already are not counted twice.
     *
     * @return how many were new; none where study or sample are gone
     * @throws IllegalArgumentException in a sentence, where there are too many classes
     */
    public int bring(Address at, List<MarksFile.Entry> entries, String counter, String nameless) {
        Study before = desk.study().get();
        if (at.study() != desk.holding().get() || before.sample(at.sampleId()).isEmpty()) {
            return 0;
        }
        List<TallyClass> classes = new ArrayList<>(before.classes());
        Map<String, String> ids = new HashMap<>();
        classes.forEach(c -> ids.put(c.name(), c.id()));
        Map<String, Set<Mark>> by = new TreeMap<>();
        before.tallies(at.sampleId()).forEach((who, marks) -> by.put(who, new LinkedHashSet<>(marks.list())));
        int fresh = 0;
        for (MarksFile.Entry entry : entries) {
            String name = entry.kind().isBlank() ? nameless : entry.kind();
            if (!ids.containsKey(name)) {
                TallyClass added = fresh(classes, name);
                classes.add(added);
                ids.put(name, added.id());
            }
            String who = entry.counter().isBlank() ? counter : entry.counter();
            Mark mark = new Mark(entry.at(), ids.get(name), entry.second());
            fresh += by.computeIfAbsent(who, k -> new LinkedHashSet<>()).add(mark) ? 1 : 0;
        }
        if (fresh > 0) {
            desk.act(Texts.of("action.tally.bring", String.valueOf(fresh)), s -> {
                Study study = s.withClasses(classes);
                for (Map.Entry<String, Set<Mark>> counted : by.entrySet()) {
                    study = study.withTally(
                            at.sampleId(), counted.getKey(), new Marks(List.copyOf(counted.getValue())));
                }
                return study;
            });
        }
        return fresh;
    }
}
