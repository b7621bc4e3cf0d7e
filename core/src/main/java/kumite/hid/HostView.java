package kumite.hid;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * What a host that knows only the descriptor makes of a report.
 *
 * @param on buttons and keys that are pressed
 * @param values axes and hat, by usage; a hat at rest is left out
 */
public record HostView(Set<Usage> on, Map<Usage, Integer> values) {

  /** Reads one transfer. Fields beyond the end of a short transfer are passed over. */
  public static HostView of(List<InputField> fields, byte[] transfer) {
    Set<Usage> on =
        new TreeSet<>((a, b) -> a.page() != b.page() ? a.page() - b.page() : a.id() - b.id());
    Map<Usage, Integer> values = new LinkedHashMap<>();
    for (InputField field : fields) {
      boolean otherReport =
          field.reportId() > 0
              && (transfer.length == 0 || (transfer[0] & 0xFF) != field.reportId());
      if (otherReport || field.bitOffset() + field.bits() > transfer.length * 8) {
        continue;
      }
      int value = field.read(transfer);
      if (field.array()) {
        int id = field.usage().id() + value - field.logicalMinimum();
        if (value != 0 && id <= field.lastUsage()) {
          on.add(new Usage(field.usage().page(), id));
        }
      } else if (field.bits() == 1) {
        if (value != 0) {
          on.add(field.usage());
        }
      } else if (!field.nullState()
          || value >= field.logicalMinimum() && value <= field.logicalMaximum()) {
        values.put(field.usage(), value);
      }
    }
    return new HostView(on, values);
  }
}
