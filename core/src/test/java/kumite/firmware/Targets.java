package kumite.firmware;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Builds each target on this machine, so that it plays scripts before the same simulated wires. */
final class Targets {
  static final String HOST =
      "host/main.c host/session.c host/console.c host/pads.c host/keyboard.c host/told_pad.c host/script.c host/chance.c host/world.c host/ways.c host/solve.c host/world_tables.c";
  private static final String FLAGS = "-O0 -ffp-contract=off -Wall -Wextra -Werror";

  private Targets() {}

  /**
   * {@return what the plays give, run by the portable program}
   *
   * @param strict whether its own Makefile makes it, with all its warnings as errors
   */
  static String portable(Path folder, String lines, boolean strict) throws IOException {
    if (strict) {
      Exported.run(folder, "", "make", "-s", "-j2", "OPTIMISE=-O0");
    } else {
      quick(folder);
    }
    return Exported.run(folder, lines, "./device-host", "--each-line");
  }

  /** Makes the portable program with the small compiler; the strict one is asked elsewhere. */
  static void quick(Path folder) throws IOException {
    boolean radio = java.nio.file.Files.exists(folder.resolve("radio"));
    boolean tells = java.nio.file.Files.exists(folder.resolve("serial/tells.c"));
    boolean header = java.nio.file.Files.exists(folder.resolve("header"));
    String quick =
        Exported.QUICK
            + " -DSELF_TEST=1 -Icore -Ihost -o device-host core/*.c host/*.c"
            + (header ? " -DSTAND_IN -Iheader header/reader.c" : "")
            + (radio ? " -Iradio radio/service.c" : "")
            + (tells ? " -Iserial serial/*.c" : "")
            + " -lm";
    Exported.run(folder, "", "sh", "-c", quick);
  }

  /** {@return the same, run by the sketch; {@code folder} holds the portable export too} */
  static String sketch(Firmware firmware, Path folder, String lines) throws IOException {
    Map<String, String> files = firmware.files(Firmware.Target.SKETCH, List.of());
    Exported.writeOver(folder.getFileName().toString(), files);
    String name = SketchSource.name(firmware.blueprint());
    standIn(folder, "sketch", "HID.h", "platform.h", "board_sketch.cpp");
    String parts =
        files.keySet().stream().filter(f -> f.endsWith(".c")).collect(Collectors.joining(" "));
    Exported.run(
        folder,
        "",
        "sh",
        "-c",
        "for f in "
            + parts
            + " "
            + HOST
            + "; do gcc -std=gnu11 "
            + FLAGS
            + " -I"
            + name
            + " -Ihost -c $f -o sketch/$(basename $f .c).o || exit 1; done; g++ -std=gnu++11 "
            + FLAGS
            + " -I"
            + name
            + " -Ihost -Isketch -DSTRIP_BY_BOARD -o sketch-host -x c++ -include platform.h "
            + name
            + "/"
            + name
            + ".ino sketch/board_sketch.cpp -x none sketch/*.o -lm");
    return Exported.run(folder, lines, "./sketch-host", "--each-line");
  }

  /** {@return the same, run by the script} */
  static String script(Firmware firmware, Path folder, String lines) throws IOException {
    Exported.writeOver(
        folder.getFileName().toString(), firmware.files(Firmware.Target.SCRIPT, List.of()));
    standIn(folder, "script", "board_script.c", "run.py");
    Exported.run(
        folder,
        "",
        "sh",
        "-c",
        Exported.QUICK
            + " -shared -fPIC -Icore -Ihost -o libhost.so core/device_tables.c script/board_script.c "
            + HOST
            + " -lm");
    return Exported.run(folder, lines, "python3", "-B", "script/run.py", ".", "--each-line");
  }

  static void standIn(Path folder, String of, String... names) throws IOException {
    Files.createDirectories(folder.resolve(of));
    try (Stream<Path> old = Files.list(folder.resolve(of))) {
      for (Path path : old.toList()) {
        Files.delete(path);
      }
    }
    for (String name : names) {
      try (var in = Targets.class.getResourceAsStream("standin/" + of + "/" + name)) {
        Files.writeString(
            folder.resolve(of).resolve(name),
            new String(in.readAllBytes(), StandardCharsets.UTF_8));
      }
    }
  }
}
