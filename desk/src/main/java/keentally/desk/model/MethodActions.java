package keentally.desk.model;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import keentally.core.hand.HandWork;
import keentally.core.method.Method;
import keentally.core.quantity.LengthUnit;
import keentally.desk.look.Texts;
import keentally.study.document.Approval;
import keentally.study.document.Study;
import keentally.study.document.Thing.SampleThing;

/** The methods of a study: made, copied, named, taken out, and given to samples. */
public final class MethodActions {
    private final DeskModel desk;

    public MethodActions(DeskModel desk) {
        this.desk = desk;
    }

    /** The ids of the samples that a method is used on, in the order of the tray. */
    public List<String> users(String methodId) {
        Study study = desk.study().get();
        return study.samples().stream()
                .filter(id -> study.sample(id)
                        .filter(s -> s.method().equals(methodId))
                        .isPresent())
                .toList();
    }

    /** Makes a method without a step, and uses it on the sample on the stage. */
    public void add() {
        LengthUnit unit = desk.scale().isPresent() ? desk.unit() : LengthUnit.PX;
        Method fresh = Method.empty(freshName(desk.study().get(), Texts.of("method.untitled")), unit);
        use(desk.here(), Texts.of("action.method.new", fresh.name()), fresh, Optional.empty());
    }

    /** Makes a copy of the method in use, hand work and all, for the sample on the stage alone. */
    public void copy() {
        Method copy =
                desk.method().named(freshName(desk.study().get(), desk.method().name()));
        use(desk.here(), Texts.of("action.method.copy", desk.method().name()), copy, Optional.of(desk.methodId()));
    }

    /** Adds a method, and uses it on the sample that it was asked for on, or on no sample where that is gone. */
    public void bring(Address at, Method method, Optional<Approval> approval) {
        if (at.study() == desk.holding().get()) {
            String id = desk.study().get().newMethodId();
            Method named = method.named(freshName(desk.study().get(), method.name()));
            boolean isItself = named.name().equals(method.name());
            use(
                    at,
                    Texts.of("action.open-method", named.name()),
                    named,
                    Optional.empty(),
                    s -> s.withApproval(id, approval.filter(a -> isItself)));
        }
    }

    /** Adds a method whose first step has hand work on a sample, without using it there; answers with its id. */
    public Optional<String> bringIn(Address at, Method method, HandWork work) {
        Study study = desk.study().get();
        Method named = method.named(freshName(study, method.name()));
        String id = study.newMethodId();
        String step = named.steps().getFirst().id();
        desk.act(
                Texts.of("action.bring", named.name()),
                s -> s.with(id, named).withHand(at.sampleId(), id, step, Optional.of(work)));
        return Optional.of(id).filter(desk.study().get().methods()::contains);
    }

    /** @param from the id of the method whose hand work and phases' notes go with the new one */
    private void use(Address at, String title, Method method, Optional<String> from) {
        use(at, title, method, from, UnaryOperator.identity());
    }

    private void use(Address at, String title, Method method, Optional<String> from, UnaryOperator<Study> also) {
        method.refusal()
                .ifPresentOrElse(
                        fault -> desk.say(Texts.fault(fault)),
                        () -> desk.act(title, s -> {
                            String id = s.newMethodId();
                            Study with = s.with(id, method);
                            Optional<SampleThing> sample = s.sample(at.sampleId());
                            if (from.isPresent()) {
                                with = with.withPhaseNotes(id, s.phaseNotes(from.get()));
                                for (Map.Entry<String, HandWork> work :
                                        s.hand(at.sampleId(), from.get()).entrySet()) {
                                    with = with.withHand(
                                            at.sampleId(), id, work.getKey(), Optional.of(work.getValue()));
                                }
                            }
                            return also.apply(
                                    sample.isPresent()
                                            ? with.with(
                                                    at.sampleId(), sample.get().using(id))
                                            : with);
                        }));
    }

    /** The name itself, or with a number behind it where there is a method of that name. */
    private static String freshName(Study study, String name) {
        Set<String> names =
                study.methods().stream().map(id -> study.method(id).name()).collect(Collectors.toSet());
        String bare = name.replaceFirst(" \\d+$", "");
        String fresh = name;
        for (int n = 2; names.contains(fresh); n++) {
            fresh = bare + " " + n;
        }
        return fresh;
    }

    /** @throws IllegalArgumentException in a sentence, where it has no name or that of another method */
    public void rename(String methodId, String name) {
        Study study = desk.study().get();
        String stripped = name.strip();
        if (stripped.isEmpty()) {
            throw new IllegalArgumentException(Texts.of("method.no-name"));
        }
        boolean twice = study.methods().stream()
                .anyMatch(id -> !id.equals(methodId) && study.method(id).name().equals(stripped));
        if (twice) {
            throw new IllegalArgumentException(Texts.of("method.twice", stripped));
        }
        Method before = study.method(methodId);
        if (!before.name().equals(stripped)) {
            desk.act(Texts.of("action.method.rename", before.name()), s -> s.with(methodId, before.named(stripped)));
        }
    }

    /** Takes out methods that no sample uses, in one action; of one that is used it is said where. One method always stays. */
    public void remove(List<String> methodIds) {
        Study study = desk.study().get();
        for (String id : methodIds) {
            List<String> users = users(id);
            if (!users.isEmpty()) {
                String samples = users.stream()
                        .map(s -> study.sample(s).orElseThrow().name())
                        .collect(Collectors.joining(", "));
                desk.say(Texts.of("method.in-use", study.method(id).name(), samples));
                return;
            }
        }
        if (methodIds.size() >= study.methods().size()) {
            desk.say(Texts.of("method.last"));
            return;
        }
        String names = methodIds.stream().map(id -> study.method(id).name()).collect(Collectors.joining(", "));
        desk.act(Texts.of("action.method.remove", names), s -> {
            Study less = s;
            for (String id : methodIds) {
                less = less.withoutMethod(id);
            }
            return less;
        });
    }

    /** Locks a method, as somebody approved it: it is used from then on, and not edited. @throws IllegalArgumentException without a name */
    public void lock(String methodId, String by) {
        if (by.isBlank()) {
            throw new IllegalArgumentException(Texts.of("method.lock.no-name"));
        }
        Approval approval = new Approval(by.strip(), Instant.now());
        desk.act(
                Texts.of(
                        "action.method.lock",
                        desk.study().get().method(methodId).name()),
                s -> s.withApproval(methodId, Optional.of(approval)));
    }

    /** Lets a method be edited again. */
    public void unlock(String methodId) {
        desk.act(
                Texts.of(
                        "action.method.unlock",
                        desk.study().get().method(methodId).name()),
                s -> s.withApproval(methodId, Optional.empty()));
    }

    /** Uses a method on samples, in one action. */
    public void assign(String methodId, List<String> samples) {
        List<String> other = new ArrayList<>(samples);
        other.removeAll(users(methodId));
        if (other.isEmpty()) {
            return;
        }
        String name = desk.study().get().method(methodId).name();
        desk.act(Texts.of("action.method.assign", name, String.valueOf(other.size())), s -> {
            Study study = s;
            for (String id : other) {
                study = study.with(id, study.sample(id).orElseThrow().using(methodId));
            }
            return study;
        });
    }
}
