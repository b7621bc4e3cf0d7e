package kumite.build;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.UnaryOperator;
import kumite.build.brief.Host;
import kumite.build.loom.LoomSettings;
import kumite.build.map.Profile;
import kumite.build.map.Timing;
import kumite.name.ControlId;
import kumite.name.SeatId;

/**
 * One board of a build with what belongs to it: how its controls are wired, what they mean, how it
 * looks and reports.
 *
 * @param id its name; unique in the build
 * @param board the board, once chosen
 * @param loom decisions about its wiring
 * @param profiles its hosts, at least one; the first is in force when no other is chosen
 * @param timing how its board looks and reports
 * @param inForce which profile is looked at, from 0; not saved
 */
public record Seat(
    SeatId id,
    Optional<BoardChoice> board,
    LoomSettings loom,
    List<Profile> profiles,
    Timing timing,
    int inForce) {

  /** More profiles than this on one board is taken for a damaged file. */
  public static final int MOST_PROFILES = 16;

  public Seat {
    Objects.requireNonNull(id, "id");
    Objects.requireNonNull(board, "board");
    Objects.requireNonNull(loom, "loom");
    profiles = List.copyOf(profiles);
    Objects.requireNonNull(timing, "timing");
    if (profiles.isEmpty() || profiles.size() > MOST_PROFILES) {
      throw new IllegalArgumentException(
          "a seat has 1 to " + MOST_PROFILES + " profiles, but had " + profiles.size());
    }
    kumite.measure.Check.between(0, profiles.size() - 1, inForce, "profile in force");
    Set<String> names = new HashSet<>();
    for (Profile profile : profiles) {
      if (!names.add(profile.name())) {
        throw new IllegalArgumentException("two profiles are called \"" + profile.name() + "\"");
      }
    }
  }

  /** A seat of which the first profile is looked at. */
  public Seat(
      SeatId id,
      Optional<BoardChoice> board,
      LoomSettings loom,
      List<Profile> profiles,
      Timing timing) {
    this(id, board, loom, profiles, timing, 0);
  }

  /** {@return the profile that is looked at} */
  public Profile profile() {
    return profiles.get(inForce);
  }

  /** {@return the same seat with the profile that is looked at changed} */
  public Seat withProfile(UnaryOperator<Profile> change) {
    List<Profile> next = new ArrayList<>(profiles);
    next.set(inForce, change.apply(next.get(inForce)));
    return new Seat(id, board, loom, next, timing, inForce);
  }

  /** {@return the same seat with the profile of that name looked at, or the first} */
  public Seat facing(String profile) {
    int at = 0;
    for (int i = 0; i < profiles.size(); i++) {
      at = profiles.get(i).name().equals(profile) ? i : at;
    }
    return new Seat(id, board, loom, profiles, timing, at);
  }

  /** {@return a seat without a board, with one empty profile} */
  public static Seat empty(SeatId id) {
    return new Seat(
        id,
        Optional.empty(),
        LoomSettings.USUAL,
        List.of(Profile.empty(Profile.USUAL_NAME, Host.COMPUTER)),
        Timing.USUAL);
  }

  /** {@return the same seat with another board, or none} */
  public Seat withBoard(Optional<BoardChoice> newBoard) {
    return new Seat(id, newBoard, loom, profiles, timing, inForce);
  }

  /** {@return the same seat wired otherwise} */
  public Seat withLoom(LoomSettings newLoom) {
    return new Seat(id, board, newLoom, profiles, timing, inForce);
  }

  /** {@return the same seat with other profiles} */
  public Seat withProfiles(List<Profile> newProfiles) {
    return new Seat(
        id, board, loom, newProfiles, timing, Math.min(inForce, newProfiles.size() - 1));
  }

  /** {@return the same seat timed otherwise} */
  public Seat withTiming(Timing newTiming) {
    return new Seat(id, board, loom, profiles, newTiming, inForce);
  }

  /** {@return the same seat without a control} */
  Seat without(ControlId control) {
    return new Seat(
        id,
        board,
        loom.without(control),
        profiles.stream().map(p -> p.without(control)).toList(),
        timing,
        inForce);
  }
}
