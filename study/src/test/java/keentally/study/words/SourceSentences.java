package keentally.study.words;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.BinaryTree;
import com.sun.source.tree.CompilationUnitTree;
import com.sun.source.tree.ConditionalExpressionTree;
import com.sun.source.tree.ExpressionTree;
import com.sun.source.tree.LiteralTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.tree.ParenthesizedTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.JavacTask;
import com.sun.source.util.TreeScanner;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import javax.tools.JavaCompiler;
import javax.tools.StandardJavaFileManager;
import javax.tools.ToolProvider;

/** The sentences that stand in sources, put together from their pieces, with {0}, {1} where something is filled in; each branch is one of its own. */
final class SourceSentences extends TreeScanner<Void, Void> {
    private static final Pattern WORDS = Pattern.compile("\\p{L}{2,}\\S* +\\p{L}{2,}|\\p{L}{3,} +\\p{L}");
    private static final Pattern FORMAT = Pattern.compile("%(?:[-+ ,0#(]*\\d*(?:\\.\\d+)?[sdfxc]|n)");
    private static final String PLACE = "\u0000";

    private final Set<String> found = new TreeSet<>();

    private SourceSentences() {}

    /** @param roots folders of sources */
    static Set<String> in(List<Path> roots) throws IOException {
        SourceSentences sentences = new SourceSentences();
        for (Path root : roots) {
            sentences.read(root);
        }
        return sentences.found;
    }

    private void read(Path root) throws IOException {
        JavaCompiler compiler = ToolProvider.getSystemJavaCompiler();
        try (StandardJavaFileManager files = compiler.getStandardFileManager(null, null, null);
                Stream<Path> all = Files.walk(root)) {
            List<Path> sources =
                    all.filter(p -> p.toString().endsWith(".java")).sorted().toList();
            JavacTask task = (JavacTask) compiler.getTask(
                    null, files, null, List.of("-proc:none"), null, files.getJavaFileObjectsFromPaths(sources));
            for (CompilationUnitTree unit : task.parse()) {
                scan(unit, null);
            }
        }
    }

    @Override
    public Void visitAnnotation(AnnotationTree tree, Void none) {
        return null;
    }

    @Override
    public Void visitBinary(BinaryTree tree, Void none) {
        if (!isText(tree)) {
            return super.visitBinary(tree, none);
        }
        add(tree);
        fillings(tree);
        return null;
    }

    @Override
    public Void visitLiteral(LiteralTree tree, Void none) {
        if (isText(tree)) {
            add(tree);
        }
        return null;
    }

    @Override
    public Void visitMethodInvocation(MethodInvocationTree tree, Void none) {
        if (!isFormatted(tree)) {
            return super.visitMethodInvocation(tree, none);
        }
        add(tree);
        return scan(tree.getArguments(), none);
    }

    /** What is filled in may hold sentences too. */
    private void fillings(ExpressionTree tree) {
        switch (tree) {
            case BinaryTree sum
            when sum.getKind() == Tree.Kind.PLUS -> {
                fillings(sum.getLeftOperand());
                fillings(sum.getRightOperand());
            }
            case ParenthesizedTree inner -> fillings(inner.getExpression());
            case ConditionalExpressionTree choice -> {
                scan(choice.getCondition(), null);
                fillings(choice.getTrueExpression());
                fillings(choice.getFalseExpression());
            }
            case LiteralTree literal -> {}
            case MethodInvocationTree call when isFormatted(call) -> scan(call.getArguments(), null);
            default -> scan(tree, null);
        }
    }

    private static boolean isFormatted(MethodInvocationTree tree) {
        return tree.getMethodSelect() instanceof MemberSelectTree call
                && call.getIdentifier().contentEquals("formatted")
                && isText(call.getExpression());
    }

    private static boolean isText(ExpressionTree tree) {
        return switch (tree) {
            case LiteralTree literal -> literal.getValue() instanceof String;
            case ParenthesizedTree inner -> isText(inner.getExpression());
            case BinaryTree sum ->
                sum.getKind() == Tree.Kind.PLUS && (isText(sum.getLeftOperand()) || isText(sum.getRightOperand()));
            case MethodInvocationTree call -> isFormatted(call);
            case ConditionalExpressionTree choice ->
                isText(choice.getTrueExpression()) || isText(choice.getFalseExpression());
            default -> false;
        };
    }

    private void add(ExpressionTree tree) {
        for (String way : ways(tree)) {
            String text = way.replace(PLACE + PLACE, PLACE).strip();
            if (WORDS.matcher(text.replace(PLACE, "#")).find()) {
                found.add(numbered(text));
            }
        }
    }

    private static String numbered(String text) {
        StringBuilder numbered = new StringBuilder();
        int places = 0;
        for (String piece : text.split("(?<=" + PLACE + ")|(?=" + PLACE + ")")) {
            numbered.append(piece.equals(PLACE) ? "{" + places++ + "}" : piece);
        }
        return numbered.toString();
    }

    private static List<String> ways(ExpressionTree tree) {
        return switch (tree) {
            case LiteralTree literal -> List.of(String.valueOf(literal.getValue()));
            case ParenthesizedTree inner -> ways(inner.getExpression());
            case ConditionalExpressionTree choice
            when isText(choice) ->
                Stream.concat(ways(choice.getTrueExpression()).stream(), ways(choice.getFalseExpression()).stream())
                        .toList();
            case BinaryTree sum
            when isText(sum) -> {
                List<String> all = new ArrayList<>();
                for (String left : ways(sum.getLeftOperand())) {
                    ways(sum.getRightOperand()).forEach(right -> all.add(left + right));
                }
                yield all;
            }
            case MethodInvocationTree call
            when isFormatted(call) ->
                ways(((MemberSelectTree) call.getMethodSelect()).getExpression()).stream()
                        .map(w -> FORMAT.matcher(w).replaceAll(PLACE).replace("%%", "%"))
                        .toList();
            default -> List.of(PLACE);
        };
    }
}
