package kumite.map;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Stream;
import kumite.build.map.Layer;
import kumite.build.map.Mapping;
import kumite.build.map.Profile;
import kumite.build.map.Target;
import kumite.kind.BoardKind;
import kumite.kind.Settable;
import kumite.name.ContactId;

/**
 * What of a profile a board can do that brings a program of its own: one that fixes its meanings
 * knows the base and nothing else; one whose sockets are set by a table knows what that can say.
 */
public final class Within {
  private Within() {}

  /** {@return the profile as far as the board can do it} */
  public static Profile of(Profile profile, Optional<BoardKind> board) {
    if (board.filter(BoardKind::bringsProgram).isEmpty()) {
      return profile;
    }
    Profile plain =
        Profile.empty(profile.name(), profile.host()).withFunctions(profile.functions());
    Optional<Settable> table = board.flatMap(BoardKind::settable);
    if (table.isEmpty()) {
      return plain.withBase(profile.base());
    }
    Optional<Layer> second = second(profile, table.get());
    Mapping base = given(profile.base(), table.get());
    if (second.isEmpty()) {
      return plain.withBase(base);
    }
    ContactId shift = second.get().by().iterator().next();
    Mapping above = given(second.get().mapping(), table.get()).without(shift);
    return plain
        .withBase(base.without(shift))
        .withLayers(List.of(second.get().withMapping(m -> above)));
  }

  /** {@return the layer that a table's second meanings can be: the first that it can reach} */
  public static Optional<Layer> second(Profile profile, Settable table) {
    return Stream.of(table)
        .filter(t -> t.meanings() > 1)
        .flatMap(t -> profile.layers().stream())
        .filter(layer -> layer.by().size() == 1 && table.shifts().contains(shift(layer)))
        .findFirst();
  }

  /** {@return how a layer is reached, as a table says it} */
  public static Settable.Shift shift(Layer layer) {
    return layer.reach() == Layer.Reach.HOLD ? Settable.Shift.HELD : Settable.Shift.TOGGLED;
  }

  private static Mapping given(Mapping mapping, Settable table) {
    Map<ContactId, Mapping.Entry> kept = new TreeMap<>(mapping.entries());
    kept.values().removeIf(entry -> !gives(table, entry.target()));
    return new Mapping(kept);
  }

  /** {@return whether a socket can be set to a meaning} */
  public static boolean gives(Settable table, Target target) {
    return of(target).filter(table.gives()::contains).isPresent();
  }

  private static Optional<Settable.Gives> of(Target target) {
    if (target instanceof Target.Key) {
      return Optional.of(Settable.Gives.KEYS);
    } else if (target instanceof Target.Media) {
      return Optional.of(Settable.Gives.MEDIA);
    } else if (target instanceof Target.Button) {
      return Optional.of(Settable.Gives.BUTTONS);
    } else if (target instanceof Target.Hat) {
      return Optional.of(Settable.Gives.HAT);
    } else if (target instanceof Target.AxisEnd) {
      return Optional.of(Settable.Gives.AXIS_ENDS);
    } else if (target instanceof Target.MouseButton) {
      return Optional.of(Settable.Gives.MOUSE_BUTTONS);
    }
    return Optional.empty();
  }
}
