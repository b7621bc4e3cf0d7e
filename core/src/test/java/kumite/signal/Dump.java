package kumite.signal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * A value change dump as anybody reads one (IEEE 1364-2005, clause 18), and what a bench decoder
 * makes of its lines. Shares nothing with what writes them: it knows the text alone.
 */
final class Dump {
  private final Map<String, TreeMap<Long, Character>> lines = new LinkedHashMap<>();
  private long end;

  Dump(String text) {
    Map<String, String> names = new HashMap<>();
    long at = 0;
    boolean head = true;
    for (String row : text.split("\n")) {
      String[] words = row.trim().split("\\s+");
      if (head) {
        if (words[0].equals("$var")) {
          names.put(words[3], words[4]);
          lines.put(words[4], new TreeMap<>());
        }
        head = !words[0].equals("$enddefinitions");
      } else if (row.startsWith("#")) {
        at = Long.parseLong(row.substring(1));
        end = at;
      } else if (!row.startsWith("$")) {
        lines.get(names.get(row.substring(1))).put(at, row.charAt(0));
      }
    }
  }

  List<String> names() {
    return List.copyOf(lines.keySet());
  }

  long end() {
    return end;
  }

  char at(String line, long ns) {
    Map.Entry<Long, Character> entry = lines.get(line).floorEntry(ns);
    return entry == null ? 'z' : entry.getValue();
  }

  boolean high(String line, long ns) {
    char sign = at(line, ns);
    if (sign != '0' && sign != '1') {
      throw new AssertionError(line + " is " + sign + " at " + ns);
    }
    return sign == '1';
  }

  /** Times at which a line becomes that sign, having been the other. */
  List<Long> edges(String line, char to) {
    List<Long> edges = new ArrayList<>();
    char before = 'z';
    for (Map.Entry<Long, Character> entry : lines.get(line).entrySet()) {
      if (entry.getValue() == to && before != 'z' && before != to) {
        edges.add(entry.getKey());
      }
      before = entry.getValue();
    }
    return edges;
  }

  /** How long a line stays that sign after each edge to it. */
  List<Long> widths(String line, char sign) {
    List<Long> widths = new ArrayList<>();
    for (long from : edges(line, sign)) {
      Long to = lines.get(line).higherKey(from);
      if (to != null) {
        widths.add(to - from);
      }
    }
    return widths;
  }

  /** Bits of a clocked line, half-way through each low of the clock. */
  List<Boolean> whileLow(String clock, String data) {
    List<Boolean> bits = new ArrayList<>();
    for (long fall : edges(clock, '0')) {
      Long rise = lines.get(clock).higherKey(fall);
      if (rise != null) { // else the dump ends within it
        bits.add(high(data, (fall + rise) / 2));
      }
    }
    return bits;
  }

  /** Bits of a line at each rise of its clock. */
  List<Boolean> onRise(String clock, String data, long from) {
    List<Boolean> bits = new ArrayList<>();
    for (long rise : edges(clock, '1')) {
      if (rise > from) {
        bits.add(high(data, rise));
      }
    }
    return bits;
  }

  /** Bits told by how long the line is low: longer than half of four microseconds is a zero. */
  List<Boolean> pulses(String data) {
    return widths(data, '0').stream().map(width -> width < 2000).toList();
  }

  /** Bytes of a serial line: start, eight bits least first, stop. */
  List<Integer> bytes(String data, double bitNs) {
    List<Integer> bytes = new ArrayList<>();
    long busy = -1;
    for (long fall : edges(data, '0')) {
      if (fall < busy || fall + 10 * bitNs > end) {
        continue;
      }
      int value = 0;
      for (int i = 0; i < 8; i++) {
        value |= high(data, Math.round(fall + (i + 1.5) * bitNs)) ? 1 << i : 0;
      }
      if (!high(data, Math.round(fall + 9.5 * bitNs))) {
        throw new AssertionError("no stop bit");
      }
      busy = Math.round(fall + 9.5 * bitNs);
      bytes.add(value);
    }
    return bytes;
  }

  static List<Integer> toBytes(List<Boolean> bits) {
    List<Integer> bytes = new ArrayList<>();
    for (int i = 0; i + 8 <= bits.size(); i += 8) {
      int value = 0;
      for (int b = 0; b < 8; b++) {
        value |= bits.get(i + b) ? 1 << b : 0;
      }
      bytes.add(value);
    }
    return bytes;
  }

  /**
   * The packets of a USB line, sync and all: sampled on a grid from the first turn of each (USB
   * 2.0, 7.1.7 to 7.1.9: non-return to zero inverted, a zero stuffed after six ones).
   */
  List<List<Integer>> packets(double bitNs) {
    List<List<Integer>> packets = new ArrayList<>();
    long free = 0;
    for (long turn : edges("data_plus", '0')) {
      if (turn < free || at("data_minus", turn) != '1') {
        continue;
      }
      List<Boolean> bits = new ArrayList<>();
      boolean before = true;
      int ones = 0;
      for (int i = 0; ; i++) {
        long here = Math.round(turn + (i + 0.5) * bitNs);
        boolean plus = high("data_plus", here);
        if (!plus && !high("data_minus", here)) {
          free = here;
          break;
        }
        boolean one = plus == before;
        if (ones < 6) {
          bits.add(one);
        } else if (one) {
          throw new AssertionError("seven ones in a row");
        }
        ones = one ? ones + 1 : 0;
        before = plus;
      }
      packets.add(toBytes(bits));
    }
    return packets;
  }
}
