package kumite.firmware;

import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import kumite.build.map.Profile;
import kumite.device.Holds;
import kumite.device.Trace;
import kumite.hid.ReportLayout;
import kumite.hid.SerialFrame;

/**
 * A board that is no device of its own, whose reports another passes on.
 *
 * @param seat its name in the build
 * @param layout its reports, the same in all its profiles
 * @param rest each of them while nothing is touched, by its id, without it
 */
public record Heard(String seat, ReportLayout layout, Map<Integer, List<Integer>> rest) {
  public Heard {
    rest = Collections.unmodifiableMap(new TreeMap<>(rest));
  }

  /** {@return what is heard of a board that tells} */
  public static Heard of(Blueprint tells) {
    Profile first = tells.profiles().get(0);
    ReportLayout layout = tells.layout(first);
    Map<Integer, List<Integer>> rest = new TreeMap<>();
    for (int id : layout.reportIds()) {
      rest.put(id, Collections.nCopies(SerialFrame.reportBytes(layout, id), 0));
    }
    for (Trace.Report report : tells.device(first).steady(Holds.NONE)) {
      int from = report.id() > 0 ? 1 : 0;
      rest.put(report.id(), report.bytes().subList(from, report.bytes().size()));
    }
    return new Heard(tells.seat(), layout, rest);
  }

  /** {@return why nobody can pass on what a board tells; empty where that can be} */
  public static Optional<String> why(Blueprint tells) {
    byte[] first = tells.layout(tells.profiles().get(0)).descriptor();
    for (Profile profile : tells.profiles()) {
      ReportLayout layout = tells.layout(profile);
      int bytes = SerialFrame.bytes(layout) - SerialFrame.AROUND;
      if (bytes > SerialFrame.MOST) {
        return Optional.of(
            "a report of profile "
                + profile.name()
                + " has "
                + bytes
                + " bytes, and a frame on the serial wire holds "
                + SerialFrame.MOST
                + ": take fewer keys or buttons");
      }
      if (!Arrays.equals(first, layout.descriptor())) {
        return Optional.of(
            "profile "
                + profile.name()
                + " tells reports of another shape than "
                + tells.profiles().get(0).name()
                + ", and the host is told one: give both the same buttons, axes and keys, or keep"
                + " one profile on this board");
      }
    }
    return Optional.empty();
  }
}
