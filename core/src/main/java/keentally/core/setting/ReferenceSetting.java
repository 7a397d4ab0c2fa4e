package keentally.core.setting;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A file that a step leans on: its name, and its SHA-256, by which it is known.
 *
 * @param isModel whether the file is a model, else a picture
 */
public record ReferenceSetting(String id, boolean isModel, List<Condition> onlyWhen) implements Setting<Reference> {
    public ReferenceSetting {
        onlyWhen = List.copyOf(onlyWhen);
    }

    /** A picture. @param onlyWhen all have to hold for the setting to matter */
    public static ReferenceSetting of(String id, Condition... onlyWhen) {
        return new ReferenceSetting(id, false, List.of(onlyWhen));
    }

    /** A model. */
    public static ReferenceSetting model(String id) {
        return new ReferenceSetting(id, true, List.of());
    }

    @Override
    public Optional<Reference> fallback() {
        return Optional.empty();
    }

    /** A new station has none yet; doing the step says so. */
    @Override
    public boolean required() {
        return false;
    }

    @Override
    public Reference read(Object tree) {
        if (tree instanceof String file && isName(file)) {
            return new Reference(file, "");
        }
        if (tree instanceof Map<?, ?> map
                && map.get("file") instanceof String file
                && isName(file)
                && map.get("sha256") instanceof String sha256
                && sha256.matches("[0-9a-f]{64}")) {
            if (map.size() == 2) {
                return new Reference(file, sha256);
            }
            if (map.size() == 3 && isModel && map.get("held") instanceof String held) {
                return new Reference(file, sha256, Optional.of(held));
            }
        }
        throw new IllegalArgumentException("expected a file's name, or {\"file\": …, \"sha256\": …"
                + (isModel ? ", and \"held\": its text" : "") + "}, but found " + Setting.found(tree));
    }

    private static boolean isName(String file) {
        return !file.isBlank() && file.chars().noneMatch(Character::isISOControl);
    }

    @Override
    public Object write(Reference value) {
        if (value.sha256().isEmpty()) {
            return value.file();
        }
        Map<String, Object> tree = new LinkedHashMap<>();
        tree.put("file", value.file());
        tree.put("sha256", value.sha256());
        value.held().ifPresent(text -> tree.put("held", text));
        return tree;
    }

    @Override
    public Object canonical(Reference value) {
        return value.sha256();
    }

    @Override
    public String kind() {
        return "reference";
    }

    @Override
    public Map<String, Object> limits() {
        return Map.of();
    }
}
