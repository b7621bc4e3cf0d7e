package kumite.signal;

import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Waveforms as a value change dump (IEEE 1364-2005, clause 18): four states, one scalar for each
 * line, in steps of a nanosecond.
 */
public final class Vcd {
  private static final char FIRST_CODE = '!';

  private Vcd() {}

  /**
   * {@return a waveform as the text of a dump}
   *
   * @param scope the name of the module that the lines stand in; no white space
   */
  public static String write(Waveform waveform, String scope) {
    StringBuilder out = new StringBuilder();
    out.append("$version Kumite $end\n$timescale 1 ns $end\n");
    out.append("$scope module ").append(scope.replace('-', '_')).append(" $end\n");
    Map<String, Character> codes = new HashMap<>();
    for (String line : waveform.lines()) {
      char code = (char) (FIRST_CODE + codes.size());
      codes.put(line, code);
      out.append("$var wire 1 ").append(code).append(' ').append(line).append(" $end\n");
    }
    out.append("$upscope $end\n$enddefinitions $end\n");
    List<Waveform.Change> changes = waveform.changes();
    long at = -1;
    for (Waveform.Change change : changes) {
      if (change.atNs() != at) {
        if (at == 0) {
          out.append("$end\n");
        }
        at = change.atNs();
        out.append('#').append(at).append('\n');
        if (at == 0) {
          out.append("$dumpvars\n");
        }
      }
      out.append(change.level().sign()).append(codes.get(change.line())).append('\n');
    }
    if (at == 0) {
      out.append("$end\n");
    }
    if (waveform.endNs() > at) {
      out.append('#').append(waveform.endNs()).append('\n');
    }
    return out.toString();
  }
}
