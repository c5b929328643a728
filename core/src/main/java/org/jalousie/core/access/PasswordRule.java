package org.jalousie.core.access;

import com.nulabinc.zxcvbn.Zxcvbn;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.jalousie.core.messages.Message;

/**
 * Which passwords are taken. After NIST SP 800-63B § 5.1.1.2: length counts, no rules about kinds of characters, and what is easily
 * guessed or made of who it belongs to is refused. The shortest is longer than the eight asked for there.
 */
public final class PasswordRule {
    /** Characters, at least. */
    public static final int SHORTEST = 12;

    /** Bytes of UTF-8, at most: bcrypt looks at no more. */
    public static final int LONGEST = 72;

    /** On a scale to 4: guessed with fewer than 10⁸ tries below it. */
    private static final int LEAST_SCORE = 3;

    /** Letters and digits that are no part of what is known of the person, at least. */
    private static final int LEAST_OWN = 8;

    private static final Zxcvbn ESTIMATOR = new Zxcvbn();

    private PasswordRule() {}

    /**
     * What is wrong with a password; empty for a good one.
     *
     * @param known what whoever guesses it would try first, such as the person's name and address
     */
    public static Optional<Message> fault(String password, List<String> known) {
        if (password.codePointCount(0, password.length()) < SHORTEST)
            return Optional.of(Message.of("password.short", "least", SHORTEST));
        if (password.getBytes(StandardCharsets.UTF_8).length > LONGEST)
            return Optional.of(Message.of("password.long", "most", LONGEST));
        List<String> words = words(known);
        return ownLetters(password, words) < LEAST_OWN
                        || ESTIMATOR.measure(password, words).getScore() < LEAST_SCORE
                ? Optional.of(Message.of("password.guessed"))
                : Optional.empty();
    }

    /** What is left without the words that anybody would try. */
    private static long ownLetters(String password, List<String> words) {
        String left = password.toLowerCase(Locale.ROOT);
        for (String word : words) left = left.replace(word, " ");
        return left.codePoints()
                .filter(one -> !Character.isWhitespace(one) && !isPunctuation(one))
                .count();
    }

    private static boolean isPunctuation(int codePoint) {
        return codePoint < 128 && !Character.isLetterOrDigit(codePoint);
    }

    private static List<String> words(List<String> known) {
        List<String> words = new ArrayList<>();
        for (String one : known)
            for (String word : one.toLowerCase(Locale.ROOT).split("[^\\p{L}\\p{N}]+"))
                if (word.length() > 2) words.add(word);
        return words;
    }
}
