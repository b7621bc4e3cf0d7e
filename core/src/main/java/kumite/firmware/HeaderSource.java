package kumite.firmware;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.device.Senses;
import kumite.device.Trace;
import kumite.firmware.SystemKeys.SystemKey;
import kumite.hid.InputField;
import kumite.hid.ReportLayout;
import kumite.hid.Usage;
import kumite.map.TargetText;

/**
 * What a computer needs whose own header is the board: which line each terminal is, which key each
 * contact gives, and how the system calls that key. No report goes out: inside of the program keys
 * stand as bits, and the reader tells the system of those that change.
 */
final class HeaderSource {
  private static final Pattern DIGITS = Pattern.compile("\\D*(\\d{1,4})");
  private static final int WIDE = 12;

  private final Blueprint blueprint;
  private final Score score;
  private final List<Bit> bits = new ArrayList<>();
  private final Map<SystemKey, Usage> keys = new LinkedHashMap<>();

  /** Where a key stands inside of the program. */
  private record Bit(int profile, int report, int bit, SystemKey key) {}

  HeaderSource(Blueprint blueprint, Score score) {
    this.blueprint = blueprint;
    this.score = score;
    for (int p = 0; p < blueprint.profiles().size(); p++) {
      Profile profile = blueprint.profiles().get(p);
      for (InputField field : blueprint.layout(profile).fields()) {
        Optional<SystemKey> key = SystemKeys.of(field.usage());
        if (key.isPresent() && used(profile).contains(field.usage())) {
          bits.add(new Bit(p, field.reportId(), field.bitOffset(), key.get()));
          keys.putIfAbsent(key.get(), field.usage());
        }
      }
    }
  }

  private static Set<Usage> used(Profile profile) {
    return profile
        .entries()
        .map(Mapping.Entry::target)
        .filter(Senses::isKey)
        .map(ReportLayout::usageOf)
        .collect(Collectors.toSet());
  }

  /** {@return keys of the build that such systems do not know, in the words of the map} */
  static List<String> unknown(Blueprint blueprint) {
    return blueprint.profiles().stream()
        .flatMap(Profile::entries)
        .map(Mapping.Entry::target)
        .filter(Senses::isKey)
        .filter(target -> SystemKeys.of(ReportLayout.usageOf(target)).isEmpty())
        .map(TargetText::of)
        .distinct()
        .toList();
  }

  // ---- files

  /** {@return the header that the reader is compiled with} */
  String header() {
    List<SystemKey> all = List.copyOf(keys.keySet());
    StringBuilder out = new StringBuilder();
    out.append("/* ").append(Names.plain(blueprint.title())).append(": its keys. */\n");
    out.append("#ifndef KEYS_H\n#define KEYS_H\n\n#include <stdint.h>\n\n");
    out.append("#define KEYS_NAME \"")
        .append(Names.plain(blueprint.title()).replaceAll("[\"\\\\]", ""))
        .append("\"\n");
    out.append("#define N_KEY_CODES ").append(all.size()).append('\n');
    out.append("#define N_KEY_BITS ").append(bits.size()).append("\n\n");
    out.append("static const char *const key_terminals[] = {");
    for (int t = 0; t < score.terminals().size(); t++) {
      out.append(t == 0 ? "\"" : ", \"").append(word(score.terminals().get(t))).append('"');
    }
    out.append("};\n");
    numbers(out, "uint8_t", "key_pages", all.stream().map(k -> keys.get(k).page()).toList());
    numbers(out, "uint16_t", "key_usages", all.stream().map(k -> keys.get(k).id()).toList());
    numbers(out, "uint16_t", "key_profile", bits.stream().map(Bit::profile).toList());
    numbers(out, "uint8_t", "key_report", bits.stream().map(Bit::report).toList());
    numbers(out, "uint16_t", "key_bit", bits.stream().map(Bit::bit).toList());
    numbers(out, "uint16_t", "key_of_bit", bits.stream().map(b -> all.indexOf(b.key())).toList());
    return out.append("\n#endif\n").toString();
  }

  private static void numbers(StringBuilder out, String type, String name, List<Integer> values) {
    out.append("static const ").append(type).append(' ').append(name).append("[] = {");
    // Where there is none, an array keeps one place that nothing asks for.
    List<Integer> some = values.isEmpty() ? List.of(0) : values;
    for (int i = 0; i < some.size(); i++) {
      out.append(i % WIDE == 0 ? "\n  " : " ").append(some.get(i));
      out.append(i == some.size() - 1 ? "" : ",");
    }
    out.append("};\n");
  }

  /** A word of the table: no blank stands in it. */
  private static String word(String terminal) {
    return Names.plain(terminal).replaceAll("[\\s\"\\\\]", "_");
  }

  /** {@return the table of lines and keys} */
  String table() {
    StringBuilder out = new StringBuilder();
    out.append("# ").append(Names.plain(blueprint.title())).append(": terminals and keys.\n");
    out.append(
        "#\n# line TERMINAL NUMBER PULL PRESSED KEY CONTACT\n"
            + "#   NUMBER is the line of the chip that the terminal is: hold it against the list that\n"
            + "#   your system gives of its lines. PULL and PRESSED say how it is read, KEY what the\n"
            + "#   contact gives while no layer is held and nothing else is told of it.\n"
            + "# key PAGE USAGE CODE NAME\n"
            + "#   CODE is what the system calls a key. Only NUMBER and CODE are read from here.\n\n");
    Set<Integer> taken = new HashSet<>();
    for (int t = 0; t < score.terminals().size(); t++) {
      line(out, t, taken);
    }
    out.append('\n');
    keys.forEach(
        (key, usage) ->
            out.append(
                String.format(
                        "key 0x%02X 0x%02X %d %s%n",
                        usage.page(), usage.id(), key.code(), key.name())
                    .replace(System.lineSeparator(), "\n")));
    return out.toString();
  }

  private void line(StringBuilder out, int terminal, Set<Integer> taken) {
    String name = score.terminals().get(terminal);
    Matcher digits = DIGITS.matcher(name);
    int number = digits.matches() ? Integer.parseInt(digits.group(1)) : 0;
    while (!taken.add(number)) {
      number++; // two terminals are never one line
    }
    String use = score.table("terminal_use").orElseThrow().rows().get(terminal).word();
    String pull = use.equals("USE_OF_UP") ? "up" : use.equals("USE_OF_DOWN") ? "down" : "none";
    Table reads = score.table("look_terminal").orElseThrow();
    Table how = score.table("look_kind").orElseThrow();
    List<Integer> looks =
        IntStream.range(0, score.contacts().size())
            .filter(i -> reads.at(i) == terminal)
            .boxed()
            .toList();
    boolean high = looks.stream().anyMatch(i -> how.rows().get(i).word().equals("LOOK_HIGH"));
    String key = looks.size() == 1 ? key(looks.get(0)) : "-";
    String contact =
        looks.isEmpty() ? "-" : looks.stream().map(i -> id(i)).collect(Collectors.joining(","));
    out.append(
        String.join(
            " ",
            "line",
            word(name),
            String.valueOf(number),
            pull,
            looks.isEmpty() ? "-" : high ? "high" : "low",
            key,
            contact));
    out.append('\n');
  }

  private String id(int look) {
    return blueprint.senses().get(look).contact().map(Object::toString).orElse("-");
  }

  private String key(int look) {
    return blueprint
        .senses()
        .get(look)
        .contact()
        .flatMap(contact -> blueprint.profiles().get(0).base().of(contact))
        .filter(entry -> Senses.isKey(entry.target()))
        .flatMap(entry -> SystemKeys.of(ReportLayout.usageOf(entry.target())))
        .map(SystemKey::name)
        .orElse("-");
  }

  // ---- what the reader has to tell

  /** {@return what the simulated device gives, as the reader tells it: keys that change} */
  static String told(Blueprint blueprint, Score score, Profile profile, Trace trace) {
    HeaderSource source = new HeaderSource(blueprint, score);
    List<SystemKey> order = List.copyOf(source.keys.keySet());
    List<String> names = blueprint.profiles().stream().map(Profile::name).toList();
    Set<Bit> on = new LinkedHashSet<>();
    Set<Integer> down = new TreeSet<>();
    StringBuilder lines = new StringBuilder();
    int turns = 0;
    for (Trace.Report report : trace.reports()) {
      turns = turned(trace, turns, report.us(), names, lines);
      int at = turns == 0 ? names.indexOf(profile.name()) : number(trace, turns - 1, names);
      on.removeIf(bit -> bit.profile() != at);
      for (Bit bit : source.bits) {
        if (bit.profile() == at && bit.report() == report.id()) {
          boolean set = (report.bytes().get(bit.bit() >> 3) >> (bit.bit() & 7) & 1) != 0;
          if (set) {
            on.add(bit);
          } else {
            on.remove(bit);
          }
        }
      }
      Set<Integer> wanted = new TreeSet<>();
      on.forEach(bit -> wanted.add(order.indexOf(bit.key())));
      for (int key : down.stream().filter(k -> !wanted.contains(k)).sorted().toList()) {
        lines.append(report.us() + " key " + order.get(key).code() + " up\n");
      }
      for (int key :
          wanted.stream()
              .filter(k -> !down.contains(k))
              .sorted(Comparator.naturalOrder())
              .toList()) {
        lines.append(report.us() + " key " + order.get(key).code() + " down\n");
      }
      down.clear();
      down.addAll(wanted);
    }
    turned(trace, turns, Long.MAX_VALUE, names, lines);
    return lines + "\n";
  }

  /** {@return how many turns there were by then; those that are new are told} */
  private static int turned(
      Trace trace, int told, long us, List<String> names, StringBuilder lines) {
    int turns = told;
    while (turns < trace.turns().size() && trace.turns().get(turns).us() <= us) {
      int number = number(trace, turns, names) + 1;
      lines.append(trace.turns().get(turns++).us() + " profile " + number + "\n");
    }
    return turns;
  }

  private static int number(Trace trace, int turn, List<String> names) {
    return names.indexOf(trace.turns().get(turn).profile());
  }
}
