package kumite.verdict;

import java.util.Optional;
import kumite.build.map.Layer;
import kumite.build.map.Profile;
import kumite.build.map.Timing;
import kumite.device.SignalPath;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.loom.Look;
import kumite.name.ContactId;
import kumite.timing.Delay;
import kumite.timing.DelayStudy;

/** How long single contacts take: a chord makes its members wait, a register is a look late. */
final class Delays {
  private Delays() {}

  static Delay of(
      Profile profile,
      Timing timing,
      Optional<BoardKind> board,
      ContactId contact,
      Optional<Look> look) {
    long windowUs =
        profile.chords().stream()
            .filter(c -> c.waits() && c.layer().equals(Layer.BASE))
            .filter(c -> c.contacts().contains(contact))
            .mapToLong(c -> 1000L * c.windowMs())
            .max()
            .orElse(0);
    boolean travels =
        look.filter(Look::measured).filter(l -> !(l.how() instanceof Look.Step)).isPresent();
    return Delay.of(
        travels ? unsettled(timing) : timing,
        look.filter(l -> l.how() instanceof Look.Bit).isPresent(),
        windowUs,
        board.filter(b -> b.brain().link() == BoardKind.Link.RADIO).isPresent());
  }

  private static Timing unsettled(Timing timing) {
    return new Timing(timing.scanUs(), timing.debounce(), 0, timing.pollUs());
  }

  /** {@return many presses of a contact, with their bounce} */
  static DelayStudy study(SignalPath path, Timing timing, int presses, long seed) {
    double window = 0;
    int late = 0;
    for (Delay.Part part : path.delay().parts()) {
      window += part.kind() == Delay.Kind.CHORD ? part.mostUs() : 0;
      late += part.kind() == Delay.Kind.REGISTER ? 1 : 0;
    }
    boolean analog = path.site().contact().type().analog();
    ControlKind.Bounce bounce = path.site().kind().bounce();
    return DelayStudy.of(
        analog ? unsettled(timing) : timing,
        window,
        late,
        analog ? 0 : bounce.leastUs(),
        analog ? 0 : bounce.mostUs(),
        presses,
        seed);
  }
}
