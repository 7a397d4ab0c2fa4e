package keentally.study.file;

/** Something is wrong with a file, a folder or the disk; the message is a sentence that names it and says what to do. */
public class FileFault extends Exception {
    public FileFault(String sentence) {
        super(sentence);
    }

    public FileFault(String sentence, Throwable cause) {
        super(sentence, cause);
    }
}
