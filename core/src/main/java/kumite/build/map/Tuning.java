package kumite.build.map;

import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import kumite.build.Decided;
import kumite.build.Part;
import kumite.name.ContactId;
import kumite.name.ControlId;

/**
 * How single contacts are read, whatever they mean.
 *
 * @param axes analog contacts that are calibrated or shaped
 * @param presses where analog contacts count as pressed
 * @param repeats contacts with rapid fire
 * @param pulses first contacts of pairs that count
 */
public record Tuning(
    Map<ContactId, AxisTuning> axes,
    Map<ContactId, PressAt> presses,
    Map<ContactId, Repeat> repeats,
    Map<ContactId, Pulses> pulses)
    implements Decided<Tuning> {

  /** Nothing tuned. */
  public static final Tuning NONE = new Tuning(Map.of(), Map.of(), Map.of(), Map.of());

  /** How single contacts are read, as a part of a build. */
  public static final Part<Tuning> PART = new Part<>("tuning", NONE);

  public Tuning {
    axes = sorted(axes);
    presses = sorted(presses);
    repeats = sorted(repeats);
    pulses = sorted(pulses);
  }

  private static <T> Map<ContactId, T> sorted(Map<ContactId, T> map) {
    return Collections.unmodifiableMap(new TreeMap<>(map));
  }

  /**
   * {@return how the code of a contact becomes the value of an axis}
   *
   * @param rest where it stands while no hand is on it, 0 to 1; what rests between its ends is
   *     centred there, unless its centre was given
   */
  public AxisTuning axis(ContactId contact, double rest) {
    AxisTuning tuned = axes.getOrDefault(contact, AxisTuning.STRAIGHT);
    return tuned.centre().isEmpty() && rest > 0 && rest < 1 ? tuned.centredAt(rest) : tuned;
  }

  /**
   * {@return where an analog contact counts as pressed}
   *
   * @param rest where it stands while no hand is on it, 0 to 1; usual is half of the way left
   */
  public PressAt press(ContactId contact, double rest) {
    return presses.getOrDefault(contact, PressAt.from(rest));
  }

  /** {@return the axes that were given a centre, with it, in thousandths} */
  public Map<ContactId, Integer> centres() {
    Map<ContactId, Integer> centres = new TreeMap<>();
    axes.forEach(
        (contact, tuned) -> tuned.centre().ifPresent(centre -> centres.put(contact, centre)));
    return centres;
  }

  /** {@return the centre that an axis was given, 0 to 1; 0 for none} */
  public double centre(ContactId contact) {
    AxisTuning tuned = axes.get(contact);
    return tuned == null ? 0 : tuned.centre().orElse(0) / 1000.0;
  }

  /** {@return the same with an axis tuned, or as the converter gives it} */
  public Tuning withAxis(ContactId contact, Optional<AxisTuning> axis) {
    return new Tuning(put(axes, contact, axis), presses, repeats, pulses);
  }

  /** {@return the same with another threshold, or the usual one} */
  public Tuning withPress(ContactId contact, Optional<PressAt> press) {
    return new Tuning(axes, put(presses, contact, press), repeats, pulses);
  }

  /** {@return the same with rapid fire, or none} */
  public Tuning withRepeat(ContactId contact, Optional<Repeat> repeat) {
    return new Tuning(axes, presses, put(repeats, contact, repeat), pulses);
  }

  /** {@return the same with a pair that counts, or two plain contacts} */
  public Tuning withPulses(ContactId first, Optional<Pulses> counting) {
    return new Tuning(axes, presses, repeats, put(pulses, first, counting));
  }

  private static <T> Map<ContactId, T> put(
      Map<ContactId, T> map, ContactId contact, Optional<T> value) {
    Map<ContactId, T> next = new TreeMap<>(map);
    value.ifPresentOrElse(v -> next.put(contact, v), () -> next.remove(contact));
    return next;
  }

  @Override
  public Tuning without(ControlId control) {
    return kept(contact -> !contact.control().equals(control));
  }

  private Tuning kept(Predicate<ContactId> keep) {
    return new Tuning(
        kept(axes, keep), kept(presses, keep), kept(repeats, keep), kept(pulses, keep));
  }

  private static <T> Map<ContactId, T> kept(Map<ContactId, T> map, Predicate<ContactId> keep) {
    Map<ContactId, T> next = new TreeMap<>(map);
    next.keySet().removeIf(keep.negate());
    return next;
  }
}
