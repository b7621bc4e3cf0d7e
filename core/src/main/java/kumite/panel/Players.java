package kumite.panel;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import kumite.build.Build;
import kumite.build.Control;
import kumite.build.Seat;
import kumite.build.map.Mapping;
import kumite.kind.ControlKind;
import kumite.name.ControlId;
import kumite.parts.Catalogue;
import kumite.working.Source;
import kumite.working.Working;

/**
 * People who stand side by side at one panel: each has a lever, stick or ball of their own, and
 * buttons, on a board or a gamepad of their own.
 */
public final class Players {
  /**
   * Shoulder breadth of a man of whom 95 in 100 are narrower, in mm: bideltoid breadth, 1988
   * Anthropometric Survey of U.S. Army Personnel (Gordon and others, 1989), from memory.
   */
  public static final double SHOULDERS_MM = 535;

  /**
   * One of them.
   *
   * @param name the seat, and which gamepad of it where there are several
   * @param controls what belongs to them
   * @param middleMm where they stand, from the panel's left edge
   */
  public record Player(String name, List<ControlId> controls, double middleMm) {}

  /**
   * Two of them beside each other.
   *
   * @param apartMm from middle to middle
   */
  public record Neighbours(Player left, Player right, double apartMm) {
    /** {@return whether their shoulders meet} */
    public boolean close() {
      return apartMm < SHOULDERS_MM;
    }

    /** {@return how it comes about} */
    public Working working() {
      return new Working(
          "room for two people",
          "apart >= shoulder breadth",
          List.of(
              Working.value("apart", apartMm, 0, "mm", "middle of one's controls to the other's"),
              Working.value("breadth", SHOULDERS_MM, 0, "mm", "95 of 100 men are narrower")),
          Working.number(apartMm - SHOULDERS_MM, 0) + " mm to spare",
          Source.memory("bideltoid breadth, 1988 Anthropometric Survey of U.S. Army Personnel"));
    }
  }

  private Players() {}

  /** {@return those who stand beside each other, from the left} */
  public static List<Neighbours> of(Build build, Catalogue catalogue) {
    Map<String, Set<ControlId>> groups = new LinkedHashMap<>();
    for (Seat seat : build.seats()) {
      Mapping base = seat.profiles().get(0).base();
      Map<ControlId, Integer> pads = new HashMap<>();
      base.entries().forEach((contact, e) -> pads.putIfAbsent(contact.control(), e.target().pad()));
      boolean several = new HashSet<>(pads.values()).size() > 1;
      for (Control control : build.onPanel()) {
        boolean here =
            build.seats().size() == 1 || control.seat().filter(seat.id()::equals).isPresent();
        Integer pad = pads.get(control.id());
        if (here && pad != null) {
          groups
              .computeIfAbsent(
                  several ? seat.id() + ", gamepad " + pad : seat.id().text(),
                  name -> new TreeSet<>())
              .add(control.id());
        }
      }
    }
    if (groups.size() < 2) {
      return List.of();
    }
    List<Player> players = new ArrayList<>();
    groups.forEach(
        (name, ids) -> {
          List<Control> controls =
              build.onPanel().stream().filter(c -> ids.contains(c.id())).toList();
          long steered = controls.stream().filter(c -> steers(catalogue.kindOf(c))).count();
          if (steered > 0 && controls.size() - steered >= 2) {
            double left =
                controls.stream().mapToDouble(c -> c.placement().xMm()).min().orElseThrow();
            double right =
                controls.stream().mapToDouble(c -> c.placement().xMm()).max().orElseThrow();
            players.add(new Player(name, List.copyOf(ids), (left + right) / 2));
          }
        });
    players.sort(Comparator.comparingDouble(Player::middleMm));
    List<Neighbours> beside = new ArrayList<>();
    for (int i = 1; i < players.size(); i++) {
      Player one = players.get(i - 1);
      Player other = players.get(i);
      beside.add(new Neighbours(one, other, other.middleMm() - one.middleMm()));
    }
    return beside;
  }

  private static boolean steers(ControlKind kind) {
    return switch (kind.family()) {
      case LEVER, STICK, BALL -> true;
      default -> false;
    };
  }
}
