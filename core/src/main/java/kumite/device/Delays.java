package kumite.device;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kumite.build.map.Layer;
import kumite.build.map.Profile;
import kumite.build.map.Timing;
import kumite.kind.BoardKind;
import kumite.kind.ControlKind;
import kumite.loom.Look;
import kumite.name.ContactId;
import kumite.signal.KeyFrame;
import kumite.signal.PortKind;
import kumite.signal.Timed;
import kumite.timing.Delay;
import kumite.timing.DelayStudy;
import kumite.timing.SerialLine;

/** How long single contacts take: a chord makes its members wait, a register is a look late. */
public final class Delays {
  private static final double NS_IN_US = 1000;

  private Delays() {}

  public static Delay of(
      Profile profile,
      Timing timing,
      Optional<BoardKind> board,
      List<SerialLine> lines,
      ContactId contact,
      Optional<Look> look) {
    long windowUs =
        profile.chords().stream()
            .filter(c -> c.waits() && c.layer().equals(Layer.BASE))
            .filter(c -> c.contacts().contains(contact))
            .mapToLong(c -> 1000L * c.windowMs())
            .max()
            .orElse(0);
    boolean travels = look.filter(Look::travels).isPresent();
    Delay delay =
        Delay.of(
            travels ? unsettled(timing) : timing,
            look.map(l -> l.everyLooks(timing.scanUs())).orElse(1),
            look.filter(l -> l.how() instanceof Look.Bit bit && !bit.ofPad()).isPresent(),
            windowUs,
            out(board),
            lines);
    return look.filter(l -> l.clocked() || l.reported()).map(l -> said(l, delay)).orElse(delay);
  }

  /**
   * A keyboard says a key byte by byte, once it has looked itself, as often as it sends; a USB pad
   * says all in a report, when its host asks.
   */
  private static Delay said(Look look, Delay after) {
    Look.Frame frame = (Look.Frame) look.how();
    PortKind kind = frame.talk().kind();
    double least =
        (kind.mechanism() instanceof KeyFrame keys
                ? keys.codes().get(frame.says()).size() * KeyFrame.byteNs(kind)
                : kind.mechanism().readingNs(kind))
            / NS_IN_US;
    double wait = kind.time(Timed.FRAME).usualNs() / NS_IN_US;
    List<Delay.Part> parts = new ArrayList<>(after.parts());
    parts.add(0, new Delay.Part(Delay.Kind.SAID, least, least + wait));
    return new Delay(parts);
  }

  /** {@return by what a board tells the host} */
  public static Delay.Out out(Optional<BoardKind> board) {
    return board
        .map(
            kind ->
                switch (kind.brain().link()) {
                  case RADIO -> Delay.Out.RADIO;
                  case HEADER -> Delay.Out.HOST;
                  default -> Delay.Out.WIRE;
                })
        .orElse(Delay.Out.WIRE);
  }

  /** {@return what the delay of a board's reports leaves out, for people; mostly nothing} */
  public static Optional<String> beside(Optional<BoardKind> board) {
    return switch (out(board)) {
      case WIRE -> Optional.empty();
      case RADIO ->
          Optional.of(
              "asleep after ten minutes, it tells the first press when the host is back: up to 2 s"
                  + " more (common practice)");
      case HOST -> Optional.of("the game takes a key with its next frame, up to 16.7 ms later");
    };
  }

  private static Timing unsettled(Timing timing) {
    return new Timing(timing.scanUs(), timing.debounce(), 0, timing.pollUs());
  }

  /** {@return many presses of a contact, with their bounce} */
  public static DelayStudy study(SignalPath path, Timing timing, int presses, long seed) {
    double after = 0;
    int late = 0;
    int every = 1;
    List<Integer> waits = new ArrayList<>();
    int poll = timing.pollUs();
    for (Delay.Part part : path.delay().parts()) {
      switch (part.kind()) {
        case CHORD, LINE -> after += part.mostUs();
        case SAID -> {
          after += part.leastUs();
          waits.add((int) (part.mostUs() - part.leastUs()));
        }
        case REGISTER -> late++;
        case HEARER, WAKE -> waits.add((int) part.mostUs());
        case POLL, SLOT, HAND_OVER -> poll = (int) part.mostUs();
        case SCAN -> every = Math.max(1, (int) (part.mostUs() / timing.scanUs()));
        case DEBOUNCE -> {}
      }
    }
    Timing own = new Timing(timing.scanUs(), timing.debounce(), timing.waitUs(), poll);
    boolean analog = path.site().contact().type().analog();
    ControlKind.Bounce bounce = path.site().kind().bounce();
    return DelayStudy.of(
        analog ? unsettled(own) : own,
        every,
        after,
        waits,
        late,
        analog ? 0 : bounce.leastUs(),
        analog ? 0 : bounce.mostUs(),
        presses,
        seed);
  }
}
