package keentally.desk.look;

import java.util.Optional;
import java.util.function.Supplier;

/** Something that is made when it is first asked for, and kept: what nobody looks at costs no time. On the interface thread alone. */
public final class Once<T> implements Supplier<T> {
    private final Supplier<? extends T> making;
    private Optional<T> made = Optional.empty();

    public Once(Supplier<? extends T> making) {
        this.making = making;
    }

    @Override
    public T get() {
        if (made.isEmpty()) {
            made = Optional.of(making.get());
        }
        return made.get();
    }
}
