package keentally.core.setting;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import keentally.core.quantity.Area;

/**
 * An area with its unit, 0 or more.
 *
 * @param usual the default
 * @param allWord a word that stands for no limit, such as {@code all}; its value is then absent
 */
public record AreaSetting(String id, Optional<Area> usual, Optional<String> allWord, List<Condition> onlyWhen)
        implements Setting<Optional<Area>> {
    public AreaSetting {
        onlyWhen = List.copyOf(onlyWhen);
    }

    /**
     * @param usual in the words of a method file, such as {@code 20 px2}
     * @param onlyWhen all have to hold for the setting to matter
     */
    public static AreaSetting of(String id, String usual, Condition... onlyWhen) {
        return new AreaSetting(id, Optional.of(Area.of(usual)), Optional.empty(), List.of(onlyWhen));
    }

    /** An area, or the word {@code all}, which is the default. */
    public static AreaSetting orAll(String id, String all, Condition... onlyWhen) {
        return new AreaSetting(id, Optional.empty(), Optional.of(all), List.of(onlyWhen));
    }

    @Override
    public Optional<Optional<Area>> fallback() {
        return Optional.of(usual);
    }

    @Override
    public boolean required() {
        return false;
    }

    @Override
    public Optional<Area> read(Object tree) {
        if (allWord.isPresent() && allWord.get().equals(tree)) {
            return Optional.empty();
        }
        String expected = allWord.map(w -> "expected \"" + w + "\" or an area").orElse("expected an area");
        if (!(tree instanceof String text)) {
            throw new IllegalArgumentException(
                    expected + " with its unit, such as \"20 px2\" or \"35 um2\", but found " + Setting.found(tree));
        }
        Area area = Area.of(text);
        if (area.amount() < 0) {
            throw new IllegalArgumentException(expected + " of 0 or more but found " + Setting.found(tree));
        }
        return Optional.of(area);
    }

    @Override
    public Object write(Optional<Area> value) {
        return value.map(Area::toString).orElseGet(allWord::orElseThrow);
    }

    @Override
    public String kind() {
        return "area";
    }

    @Override
    public Map<String, Object> limits() {
        return allWord.<Map<String, Object>>map(w -> Map.of("least", 0L, "words", List.of(w)))
                .orElse(Map.of("least", 0L));
    }
}
