package keentally.core.step;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.picture.Channel;
import keentally.core.picture.Mask;
import keentally.core.picture.PhaseMap;
import keentally.core.picture.Picture;
import keentally.core.picture.Plane;
import keentally.core.picture.Plane8;
import keentally.core.picture.PlaneF;
import keentally.core.region.ObjectSet;
import keentally.core.region.RegionBuilder;
import keentally.core.region.Regions;
import keentally.core.work.Work;

/** Puts what was made inside a part back into what was outside of it, each kind with its own. */
final class Rejoining {
    private final OpenPart part;
    private final State before;
    private final State now;
    private final Mask inside;
    private final Work work;

    private Rejoining(OpenPart part, State now, Work work) {
        this.part = part;
        this.before = part.before();
        this.now = now;
        this.inside = now.field().mask();
        this.work = work;
    }

    /** The state with its last open part closed. */
    static State of(State now, Work work) throws StepFault {
        OpenPart part = now.part().orElseThrow(() -> new StepFault("closes a part, and none is open"));
        return new Rejoining(part, now, work).joined();
    }

    private State joined() throws StepFault {
        Optional<PhaseMap> phases = part.made(now, Slot.PHASES);
        Optional<Mask> mask = part.made(now, Slot.MASK);
        Optional<ObjectSet> objects = part.made(now, Slot.OBJECTS);
        boolean parted = phases.isPresent() || mask.isPresent() || objects.isPresent();
        State joined = before.with(now.scale()).give(picture(parted));
        joined = now.find(Slot.ASIDE).isPresent()
                ? joined.asideAll(now.find(Slot.ASIDE).get())
                : joined;
        if (phases.isPresent()) {
            joined = joined.give(phases(phases.get()));
        }
        if (mask.isPresent()) {
            Mask outside = before.mask().map(m -> m.minus(inside)).orElse(Mask.empty(inside.width(), inside.height()));
            joined = joined.give(mask.get().or(outside));
        }
        return objects.isPresent() ? joined.give(objects(objects.get())) : joined;
    }

    /** @param parted whether more than a picture was made, so that the one before can stand again */
    private Picture picture(boolean parted) throws StepFault {
        Optional<Picture> made = part.made(now, Slot.PICTURE);
        if (made.isEmpty()) {
            return before.current();
        }
        Picture in = made.get();
        Picture out = before.current();
        if (!in.channelNames().equals(out.channelNames())) {
            if (parted) {
                return out;
            }
            throw new StepFault("cannot put the part back: inside the picture has " + in.channelNames()
                    + ", outside it has " + out.channelNames());
        }
        List<Channel> channels = new ArrayList<>();
        for (int c = 0; c < in.channels().size(); c++) {
            Channel channel = in.channels().get(c);
            channels.add(new Channel(channel.name(), mixed(out.channels().get(c).plane(), channel.plane())));
        }
        return new Picture(channels);
    }

    private Plane mixed(Plane out, Plane in) {
        int width = out.width();
        float[] values = new float[width * out.height()];
        work.bands(out.height(), (from, to) -> {
            for (int y = from; y < to; y++) {
                out.readRow(y, 0, width, values, y * width);
                for (int x = inside.nextSet(y, 0); x < width; ) {
                    int end = Math.min(width, inside.nextClear(y, x));
                    in.readRow(y, x, end, values, y * width + x);
                    x = inside.nextSet(y, end);
                }
            }
        });
        return PlaneF.of(width, out.height(), values);
    }

    /** Outside, what was phases before, else the phase {@code rest}; phases of one name are one. */
    private PhaseMap phases(PhaseMap in) throws StepFault {
        List<String> names =
                new ArrayList<>(before.phases().map(PhaseMap::names).orElse(List.of("rest")));
        byte[] number = new byte[PhaseMap.OUTSIDE + 1];
        number[PhaseMap.OUTSIDE] = (byte) PhaseMap.OUTSIDE;
        for (int p = 0; p < in.names().size(); p++) {
            String name = in.names().get(p);
            if (!names.contains(name)) {
                names.add(name);
            }
            number[p] = (byte) names.indexOf(name);
        }
        if (names.size() > PhaseMap.OUTSIDE) {
            throw new StepFault("cannot put the part back: inside and outside have " + names.size()
                    + " phases together, of at most " + PhaseMap.OUTSIDE);
        }
        Mask outer = before.field().mask();
        byte[] inner = in.map().values();
        byte[] values = before.phases()
                .map(p -> p.map().values().clone())
                .orElseGet(() -> PhaseMap.of(Mask.empty(outer.width(), outer.height()), before.field())
                        .map()
                        .values()
                        .clone());
        int width = outer.width();
        work.bands(outer.height(), (from, to) -> {
            for (int y = from; y < to; y++) {
                for (int x = inside.nextSet(y, 0); x < width; x = inside.nextSet(y, x + 1)) {
                    values[y * width + x] = number[inner[y * width + x] & 0xff];
                }
            }
        });
        return new PhaseMap(Plane8.of(width, outer.height(), values), names, colours(names, in));
    }

    /** Those of both where both have some; else they are found anew for all. */
    private List<Integer> colours(List<String> names, PhaseMap in) {
        Map<String, Integer> known = new HashMap<>();
        before.phases().ifPresent(p -> note(p, known));
        note(in, known);
        return known.keySet().containsAll(names)
                ? names.stream().map(known::get).toList()
                : List.of();
    }

    private static void note(PhaseMap map, Map<String, Integer> known) {
        for (int p = 0; p < map.colours().size(); p++) {
            known.putIfAbsent(map.names().get(p), map.colours().get(p));
        }
    }

    /** Objects outside lose what of them lies inside; those inside come as they are. */
    private ObjectSet objects(ObjectSet in) {
        if (before.objects().isEmpty()) {
            return in;
        }
        ObjectSet out = before.objects().get();
        RegionBuilder builder = new RegionBuilder(inside.width(), inside.height());
        Regions left = out.regions().without(inside);
        add(builder, left);
        add(builder, in.regions());
        Regions both = builder.regions();
        List<String> dropped = new ArrayList<>();
        Map<Integer, ObjectSet.Kind> kinds = new HashMap<>();
        int[] order = new int[both.count()];
        for (int region = 0; region < both.count(); region++) {
            Source from = source(both, region, in, out);
            dropped.add(from.of.isKept(from.region) ? "" : from.of.droppedBy(from.region));
            if (!from.of.classOf(from.region).isEmpty()) {
                kinds.put(region, new ObjectSet.Kind(from.of.classOf(from.region), from.of.certaintyOf(from.region)));
            }
            order[region] = region;
        }
        return ObjectSet.of(both, dropped, order).sorted(kinds);
    }

    private static Source source(Regions both, int region, ObjectSet in, ObjectSet out) {
        int x = both.runFrom(both.firstRun(region));
        int y = both.runY(both.firstRun(region));
        int inner = in.regions().at(x, y);
        return inner >= 0
                ? new Source(in, inner)
                : new Source(out, out.regions().at(x, y));
    }

    private record Source(ObjectSet of, int region) {}

    private static void add(RegionBuilder builder, Regions regions) {
        for (int region = 0; region < regions.count(); region++) {
            int number = builder.next();
            regions.runs(region, (y, from, to) -> builder.add(number, y, from, to));
        }
    }
}
