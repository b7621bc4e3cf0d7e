package kumite.cli;

import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import kumite.build.Aspect;
import kumite.build.Build;
import kumite.build.port.Port;
import kumite.build.port.PortBook;
import kumite.files.BuildFile;
import kumite.files.BuildFileException;
import kumite.files.WholeFile;
import kumite.hid.UsbPads;
import kumite.name.SeatId;
import kumite.parts.Catalogue;
import kumite.ports.Consoles;
import kumite.signal.PortFile;
import kumite.verdict.Rooms;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

@Command(
    name = "pad",
    description = "A USB pad by its report descriptor: its buttons and axes, plugged into a build.",
    mixinStandardHelpOptions = true)
final class UsbPadCommand implements Callable<Integer> {
  private final Rooms rooms;

  @Spec private CommandSpec spec;

  @Mixin private Descriptors descriptor;

  @Option(
      names = "--name",
      defaultValue = "Own pad",
      paramLabel = "NAME",
      description = "What you call it (default: Own pad).")
  private String name;

  @Option(
      names = "--id",
      paramLabel = "ID",
      description = "Id of the kind of port that it becomes; made of its name if left out.")
  private String id;

  @Option(
      names = "--low-speed",
      description = "It is a low-speed device: 1.5 Mbit/s, 8 bytes a report, asked each 10 ms.")
  private boolean low;

  @Option(
      names = "--report",
      paramLabel = "N",
      description = "Which of its reports; the first one of a pad if left out.")
  private Integer report;

  @Option(
      names = "--out",
      paramLabel = "FILE",
      description = "Write the kind of port as JSON, as the key ports.kinds of a build has it.")
  private Path out;

  @Option(
      names = "--into",
      paramLabel = "BUILD",
      description = "A build that it is plugged into, with a port of its kind.")
  private Path into;

  @Option(names = "--seat", paramLabel = "SEAT", description = "At which seat; else the first.")
  private String seat;

  @Option(names = "--json", description = "Print JSON.")
  private boolean json;

  UsbPadCommand(Rooms rooms) {
    this.rooms = rooms;
  }

  @Override
  public Integer call() throws IOException, BuildFileException {
    if (seat != null && into == null) {
      throw new IllegalArgumentException("--seat says where in a build; give --into BUILD");
    }
    UsbPads.Wish wish =
        new UsbPads.Wish(
            id == null ? UsbPads.Wish.id(name) : id, name, !low, Optional.ofNullable(report));
    UsbPads.Told told = UsbPads.of(descriptor.bytes(), wish);
    Optional<Build> build = into == null ? Optional.empty() : Optional.of(plugged(told));
    Optional<Port> port = build.map(b -> b.ports().ports().get(b.ports().ports().size() - 1));
    if (out != null) {
      String text = Json.print(PortFile.PORT.write(told.kind())) + "\n";
      WholeFile.write(out, text.getBytes(StandardCharsets.UTF_8));
    }
    if (build.isPresent()) {
      BuildFile.write(build.get(), into, rooms);
    }
    PrintWriter print = spec.commandLine().getOut();
    if (json) {
      print.println(Json.print(json(told, port)));
      return 0;
    }
    print.println(told.kind().id() + ": " + told.kind().title());
    print.println("buttons: " + String.join(", ", told.kind().buttons()));
    print.println(
        "axes: " + (told.kind().axes().isEmpty() ? "none" : String.join(", ", told.kind().axes())));
    told.left().forEach(left -> print.println("left out: " + left));
    told.others().forEach(other -> print.println("another pad: take it with --report " + other));
    port.ifPresent(p -> print.println("plugged in as " + p.id() + ", " + p.label()));
    return 0;
  }

  /** The build with one port more, the last one. */
  private Build plugged(UsbPads.Told told) throws BuildFileException {
    Build build = BuildFile.read(into, Catalogue.standard(), rooms);
    List<SeatId> seats = build.seats().stream().map(kumite.build.Seat::id).toList();
    SeatId at =
        seat == null
            ? seats.get(0)
            : seats.stream()
                .filter(s -> s.text().equals(seat))
                .findFirst()
                .orElseThrow(
                    () ->
                        new IllegalArgumentException(
                            "the build has no seat \""
                                + seat
                                + "\"; use "
                                + String.join(", ", seats.stream().map(SeatId::text).toList())));
    PortBook book = build.ports().withKind(told.kind());
    Port port = Consoles.pad(build.facing(new Aspect(at, "")).withPorts(book), told.kind());
    return build.withPorts(book.with(port));
  }

  private static ObjectNode json(UsbPads.Told told, Optional<Port> port) {
    ObjectNode node = Json.object();
    node.put("id", told.kind().id());
    ArrayNode buttons = node.putArray("buttons");
    told.kind().buttons().forEach(buttons::add);
    ArrayNode axes = node.putArray("axes");
    told.kind().axes().forEach(axes::add);
    ArrayNode left = node.putArray("left_out");
    told.left().forEach(left::add);
    ArrayNode others = node.putArray("other_reports");
    told.others().forEach(others::add);
    port.ifPresent(p -> node.put("port", p.id().text()));
    node.set("kind", PortFile.PORT.write(told.kind()));
    return node;
  }
}
