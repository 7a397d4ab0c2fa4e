package keentally.core.hand;

import keentally.core.colour.Rgb;

/**
 * What somebody counts.
 *
 * @param id what marks refer to; stays when it is renamed
 */
public record TallyClass(String id, String name, Glyph glyph, Rgb colour) {
    public TallyClass {
        if (name.isBlank()) {
            throw new IllegalArgumentException("a class needs a name");
        }
        if (id.isBlank()) {
            throw new IllegalArgumentException("a class needs an id");
        }
    }

    /** Under another name; its marks stay its own. */
    public TallyClass named(String other) {
        return new TallyClass(id, other, glyph, colour);
    }

    /** With another glyph. */
    public TallyClass drawn(Glyph other) {
        return new TallyClass(id, name, other, colour);
    }

    /** In another colour. */
    public TallyClass coloured(Rgb other) {
        return new TallyClass(id, name, glyph, other);
    }
}
