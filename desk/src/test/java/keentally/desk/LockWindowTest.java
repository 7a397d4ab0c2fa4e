package keentally.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.Optional;
import keentally.core.method.Method;
import keentally.study.document.Approval;
import keentally.study.method.MethodFile;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A method is locked, cannot be changed, is copied to be changed, is taken to another study and unlocked. */
class LockWindowTest {
    @TempDir
    private Path folder;

    private DeskDriver desk;

    @BeforeEach
    void aMethod() throws Exception {
        desk = DeskDriver.smallDemo(folder, "Crumb section");
        desk.show("s1", "threshold-1");
    }

    @AfterEach
    void stop() {
        desk.close();
    }

    private Method method() {
        return desk.onFx(() -> desk.model().method());
    }

    private Optional<Approval> approval() {
        return desk.onFx(() -> desk.model().study().get().approval(desk.model().methodId()));
    }

    private void lock() {
        desk.command("method-lock");
        desk.answer(true);
        assertThat(desk.asked()).as("a name is needed").isPresent();
        desk.fill("method-lock-by", "Ana");
        desk.answer(true);
        desk.settle();
    }

    @Test
    void aLockedMethodIsUsedAndNotEdited() {
        lock();
        assertThat(approval().orElseThrow().by()).isEqualTo("Ana");
        assertThat(desk.text("locked")).startsWith("Locked by Ana on ");
        Method before = method();
        desk.onFx(() -> desk.model().change("more", m -> m.then("fill-holes")));
        desk.settle();
        assertThat(method()).isEqualTo(before);
        assertThat(desk.onFx(() -> desk.model().message().get())).contains("is locked: it is used, and not edited");
        desk.click("locked-copy");
        desk.settle();
        assertThat(method().name()).isNotEqualTo(before.name());
        assertThat(approval()).isEmpty();
        assertThat(desk.has("locked")).isFalse();
        desk.onFx(() -> desk.model().change("more", m -> m.then("fill-holes")));
        desk.settle();
        assertThat(method().steps()).hasSize(before.steps().size() + 1);
    }

    @Test
    void unlockedItCanBeEditedAgainAndUndoLocksIt() {
        lock();
        desk.command("method-lock");
        desk.answer(true);
        desk.settle();
        assertThat(approval()).isEmpty();
        assertThat(desk.has("locked")).isFalse();
        desk.command("undo");
        desk.settle();
        assertThat(approval()).isPresent();
        assertThat(desk.has("locked")).isTrue();
    }

    @Test
    void theLockGoesWithTheFile() throws Exception {
        lock();
        Path file = folder.resolve("crumb.method.json");
        desk.saveTo(file);
        desk.command("method-save");
        desk.settleBeside();
        assertThat(MethodFile.approval(file)).isEqualTo(approval());
        desk.readFrom(file);
        desk.command("method-open");
        desk.settleBeside();
        assertThat(method().name()).as("there is one of that name already").endsWith(" 2");
        assertThat(approval()).as("which is another").isEmpty();
    }
}
