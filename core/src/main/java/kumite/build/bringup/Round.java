package kumite.build.bringup;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import kumite.measure.Check;

/**
 * One pass of bring-up tests.
 *
 * @param begun the day
 * @param entries what was asked, in that order; a question that was asked again stands twice
 * @param repairs what was mended meanwhile, in that order
 */
public record Round(LocalDate begun, List<Entry> entries, List<Repair> repairs) {
  /** More entries than this are taken for a damaged file. */
  public static final int MOST = 20_000;

  public Round {
    Objects.requireNonNull(begun, "begun");
    entries = List.copyOf(entries);
    repairs = List.copyOf(repairs);
    Check.between(0, MOST, entries.size(), "number of readings");
  }

  /** {@return a round that asked nothing yet} */
  public static Round begun(LocalDate day) {
    return new Round(day, List.of(), List.of());
  }

  /** {@return the same with one more entry} */
  public Round with(Entry entry) {
    List<Entry> next = new ArrayList<>(entries);
    next.add(entry);
    return new Round(begun, next, repairs);
  }

  /** {@return the same with something mended} */
  public Round mended(Repair repair) {
    List<Repair> next = new ArrayList<>(repairs);
    next.add(repair);
    return new Round(begun, entries, next);
  }

  /** {@return the same without its last entry, and what was mended after it} */
  public Round back() {
    if (entries.isEmpty()) {
      return this;
    }
    int left = entries.size() - 1;
    return new Round(
        begun,
        entries.subList(0, left),
        repairs.stream().filter(repair -> repair.after() <= left).toList());
  }

  /** {@return the last entry of a question, if it was put} */
  public Optional<Entry> last(Ask ask) {
    return entries.stream().filter(e -> e.ask().equals(ask)).reduce((one, other) -> other);
  }
}
