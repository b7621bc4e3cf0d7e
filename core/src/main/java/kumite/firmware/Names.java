package kumite.firmware;

import com.ibm.icu.text.Transliterator;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/** Names in code, made from labels: letters of any script become plain ones, twins are numbered. */
final class Names {
  private static final Transliterator PLAIN =
      Transliterator.getInstance("Any-Latin; Latin-ASCII; [:^ASCII:] Remove");

  private static final Pattern ODD = Pattern.compile("[^ -~]");
  private static final Pattern SPACES = Pattern.compile("\\s+");

  /** What a plain label has none of; most are plain, and are asked for at each check. */
  private static final Pattern STRANGE = Pattern.compile("[^ -~]|[\\\\?]|\\*/|  ");

  private static final Pattern APART = Pattern.compile("[^A-Za-z0-9]+");

  private final String prefix;
  private final Map<String, Integer> taken = new HashMap<>();
  private final Map<String, String> changed = new LinkedHashMap<>();

  Names(String prefix) {
    this.prefix = prefix;
  }

  /** {@return the name for a label; each is given once, whatever the labels are} */
  String of(String label) {
    String word = words(label).replace(' ', '_').toUpperCase(Locale.ROOT);
    String base = prefix + (word.isEmpty() ? "UNNAMED" : word);
    int twin = taken.merge(base, 1, Integer::sum);
    String name = base;
    while (twin > 1 && taken.putIfAbsent(name = base + "_" + twin, 1) != null) {
      twin++;
    }
    if (twin > 1 || word.isEmpty()) {
      changed.put(label + " (" + name + ")", name);
    }
    return name;
  }

  private static String words(String label) {
    return APART.matcher(plain(label)).replaceAll(" ").strip();
  }

  /** {@return a label in plain characters, safe within a comment of any language} */
  static String plain(String label) {
    return STRANGE.matcher(label).find()
        ? SPACES
            .matcher(
                ODD.matcher(PLAIN.transliterate(label))
                    .replaceAll(" ")
                    .replace("*/", "* /")
                    .replace("\\", "")
                    .replace("?", ""))
            .replaceAll(" ")
            .strip()
        : label.strip();
  }

  /** {@return labels that another label or no plain character stood in the way of} */
  List<String> changed() {
    return new ArrayList<>(changed.keySet());
  }
}
