package kumite.verdict;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.ServiceLoader;
import java.util.Set;
import java.util.function.Function;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.room.Derivation;
import kumite.room.PartCodec;

/** The rooms of an application, in working order. */
public final class Rooms {
  private final List<Room> all;
  private final List<Station> stations;
  private final List<Derivation<List<Finding>>> checks;
  private final List<Export> exports;

  private static final class Standard {
    static final Rooms ROOMS =
        new Rooms(
            ServiceLoader.load(Room.class, Room.class.getClassLoader()).stream()
                .map(ServiceLoader.Provider::get)
                .toList());
  }

  /**
   * Rooms in working order.
   *
   * @throws IllegalArgumentException if two have one station, one key in the file, one code or one
   *     export's word
   */
  public Rooms(List<Room> all) {
    this.all = List.copyOf(all);
    once(room -> List.of(room.station().title()), "station");
    once(room -> room.parts().stream().map(codec -> codec.part().key()).toList(), "key");
    once(room -> room.codes().stream().map(Code::text).toList(), "code");
    once(room -> room.exports().stream().map(Export::word).toList(), "export");
    stations = this.all.stream().map(Room::station).toList();
    checks = gathered(Room::checks);
    exports = gathered(Room::exports);
  }

  private void once(Function<Room, List<String>> names, String what) {
    Set<String> seen = new HashSet<>();
    for (Room room : all) {
      for (String name : names.apply(room)) {
        if (!seen.add(name)) {
          throw new IllegalArgumentException("two rooms have the " + what + " " + name);
        }
      }
    }
  }

  /** {@return the rooms} */
  public List<Room> all() {
    return all;
  }

  /**
   * {@return the rooms that the application has}
   *
   * @throws IllegalStateException if it has none: nothing would be checked, and all would look fine
   */
  public static Rooms standard() {
    if (Standard.ROOMS.all().isEmpty()) {
      throw new IllegalStateException(
          "the application was put together without its stations (META-INF/services)");
    }
    return Standard.ROOMS;
  }

  /** {@return these and one more, after them} */
  public Rooms with(Room room) {
    List<Room> more = new ArrayList<>(all);
    more.add(room);
    return new Rooms(more);
  }

  /** {@return the stations, in working order} */
  public List<Station> stations() {
    return stations;
  }

  /** {@return the place of a station in working order, from 0} */
  public int order(Station station) {
    return stations.indexOf(station);
  }

  /** {@return the room of a station, if there is one} */
  public Optional<Room> room(Station station) {
    return all.stream().filter(room -> room.station().equals(station)).findFirst();
  }

  /** {@return how every part of a build stands in the file} */
  public List<PartCodec<?>> parts() {
    return gathered(Room::parts);
  }

  /** {@return all that any of them may say} */
  public List<Code> codes() {
    return gathered(Room::codes);
  }

  /** {@return all that is said of a build} */
  public List<Derivation<List<Finding>>> checks() {
    return checks;
  }

  /** {@return all that is written for the bench} */
  public List<Export> exports() {
    return exports;
  }

  /** {@return the export of that word, if there is one} */
  public Optional<Export> export(String word) {
    return exports().stream().filter(export -> export.word().equals(word)).findFirst();
  }

  /** {@return the names of all demo builds} */
  public List<String> demos() {
    return gathered(Room::demos);
  }

  private <T> List<T> gathered(Function<Room, ? extends List<? extends T>> what) {
    List<T> gathered = new ArrayList<>();
    all.forEach(room -> gathered.addAll(what.apply(room)));
    return List.copyOf(gathered);
  }
}
