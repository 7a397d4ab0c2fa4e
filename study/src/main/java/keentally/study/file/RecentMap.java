package keentally.study.file;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.Optional;
import java.util.function.Function;

/** The answers that were asked for last, a fixed number of them; for any thread. */
public final class RecentMap<K, V> {
    private final Cache<K, V> answers;

    /** @param most answers that are kept */
    public RecentMap(int most) {
        // tidied on the caller's thread: nobody here uses the common pool
        this.answers =
                Caffeine.newBuilder().maximumSize(most).executor(Runnable::run).build();
    }

    public Optional<V> find(K key) {
        return Optional.ofNullable(answers.getIfPresent(key));
    }

    public void keep(K key, V answer) {
        answers.put(key, answer);
    }

    /** The answer that is known, or the one that is made now; made once, however many ask. */
    public V get(K key, Function<K, V> made) {
        return answers.get(key, made);
    }
}
