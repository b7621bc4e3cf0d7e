package kumite.firmware;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.ObjectMapper;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Locale;
import java.util.Optional;
import kumite.kind.BoardKind;

/**
 * What a program takes on an 8-bit part.
 *
 * <p>Tables and state are counted. Code is measured with a compiler for such a part; of a build
 * that was measured itself its own figures are told, of others the most that each part of the
 * program took in any build that was measured, so that they take no more than is said.
 *
 * @param flashBytes code and tables
 * @param tableBytes of these, the tables
 * @param ramBytes what changes, without the stack
 * @param cycles of one look; empty where this build was not measured
 * @param measured the day the measurements were made, such as {@code 2026-11-26}
 */
public record Footprint(
    int flashBytes, int tableBytes, int ramBytes, Optional<Cycles> cycles, String measured) {

  /** What calls and numbers on their way take while a program runs: common practice, no source. */
  public static final int STACK_BYTES = 300;

  /**
   * What the platform of such a board takes for itself and its USB: a sketch that was linked with
   * the free core of an 8-bit board with native USB on 2026-11-26 took so much more than its
   * program.
   */
  private static final int PLATFORM_FLASH_BYTES = 6500;

  private static final int PLATFORM_RAM_BYTES = 360;

  /**
   * Clock cycles of one look, on a simulator, with calls that only hand over what was noted before.
   *
   * @param least of all looks of its check
   * @param mean of all
   * @param most of all
   */
  public record Cycles(int least, int mean, int most) {
    /** {@return milliseconds of a number of cycles at 16 MHz} */
    public static String millis(int cycles) {
      return String.format(Locale.ROOT, "%.2f ms", cycles / 16_000.0);
    }
  }

  private static final JsonNode MEASURED = read();

  private static JsonNode read() {
    try {
      return new ObjectMapper().readTree(Firmware.template("measured.json"));
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  static Footprint of(Score score, String fingerprint) {
    int tables = score.tableBytes();
    String day = MEASURED.path("day").asText();
    for (JsonNode build : MEASURED.path("builds")) {
      if (build.path("fingerprint").asText().equals(fingerprint)) {
        JsonNode cycles = build.path("cycles");
        return new Footprint(
            build.path("flash").asInt(),
            tables,
            build.path("ram").asInt(),
            Optional.of(
                new Cycles(cycles.path(0).asInt(), cycles.path(1).asInt(), cycles.path(2).asInt())),
            day);
      }
    }
    return most(score);
  }

  /** {@return the most that a program can take, by what others took} */
  static Footprint most(Score score) {
    int tables = score.tableBytes();
    int code = MEASURED.path("around").asInt();
    for (String part : CSource.parts(score)) {
      code += MEASURED.path("parts").path(part).asInt();
    }
    return new Footprint(
        code + tables, tables, ram(score), Optional.empty(), MEASURED.path("day").asText());
  }

  /** {@return the flash it takes with what the platform takes for itself} */
  public int wholeFlash() {
    return flashBytes + PLATFORM_FLASH_BYTES;
  }

  /** {@return the memory it takes while it runs, stack and platform too} */
  public int wholeRam() {
    return ramBytes + STACK_BYTES + PLATFORM_RAM_BYTES;
  }

  /** {@return whether it goes into a board} */
  public boolean fits(BoardKind.Memory memory) {
    return wholeFlash() <= memory.flashBytes() && wholeRam() <= memory.ramBytes();
  }

  /** {@return whether this very build was measured} */
  public boolean exact() {
    return cycles.isPresent();
  }

  /** The state of the program, as its sources declare it. */
  private static int ram(Score score) {
    int number = score.small() ? 1 : 2;
    int looks = score.size("N_LOOKS");
    int travels = score.size("N_TRAVELS");
    int meanings = score.size("N_MEANINGS");
    int layers = score.size("N_LAYERS");
    int chords = score.size("N_CHORDS");
    int axes = score.size("N_AXES");
    int bytes = looks + 2 * 21 + number; // flags, now, layer
    bytes += 2 * number + 4 + 3 * 4; // profile, and what device.c keeps
    bytes += meanings + 1 + score.size("REPORT_BYTES") + score.size("N_REPORTS");
    bytes += layers > 0 ? looks * number : 0;
    bytes += 4 * score.size("N_REPEATS") + chords;
    bytes += score.size("N_REPEATS") > 0 ? 1 : 0;
    bytes += score.size("USE_CODES") > 0 ? 2 * (travels + 1) : 0;
    bytes += (score.size("N_BITS") + 7) / 8;
    bytes += (score.size("N_FRAME_BITS") + 7) / 8 + score.size("N_PADS");
    bytes += 2 * score.size("N_FRAMES");
    bytes += (score.size("N_KEYS_HELD") + 7) / 8 + 8 * score.size("N_KEYBOARDS");
    bytes += score.size("N_TOLD_BYTES") + score.size("N_TOLD_PADS");
    if (score.size("USE_SERIAL") > 0) {
      bytes += score.size("N_TOLD_BYTES") + 2 * score.size("N_TOLD_PADS");
    }
    int wait = score.size("WAIT_US");
    bytes += wait == 0 ? 0 : looks * (wait > 65_535 ? 4 : 2);
    bytes += 4 * travels + 3 * score.size("N_PULSES");
    bytes += layers > 0 ? number + 1 + 2 * ((layers + 7) / 8) : 0;
    bytes += chords > 0 ? looks * (5 + number) + chords + number + 1 : 0;
    bytes += score.size("N_LEVERS") + score.size("N_GATES") + score.size("N_PAIRS");
    bytes += axes > 0 ? 3 * axes + 1 + (score.size("USE_RAMPS") > 0 ? 2 * axes : 0) : 0;
    boolean analog = score.size("USE_ANALOG_AXES") + score.size("USE_ANALOG_MOUSE") > 0;
    bytes += analog ? 2 * travels + 1 : 0;
    bytes += score.size("USE_ANALOG_AXES") > 0 ? 6 * travels : 0;
    bytes += score.size("USE_MOUSE") > 0 ? 12 : 0;
    bytes += score.size("USE_STEPPED") > 0 ? 2 * meanings + 1 : 0;
    bytes += score.size("USE_TAPS") > 0 ? meanings + 3 : 0;
    bytes += score.size("USE_HATS") > 0 ? 9 : 0; // its values, which the part keeps there
    bytes += score.size("N_PULSES") > 0 ? 4 : 0;
    bytes += 3 * score.size("N_ANSWERS") + 3 * score.size("N_CONSOLES");
    bytes += score.size("N_CONSOLES") > 0 ? 1 : 0;
    bytes += score.size("USE_COUNTED") > 0 ? 5 * score.size("N_CONSOLES") : 0;
    bytes += score.size("LONGEST_SAID") * score.size("N_CONSOLES");
    bytes += score.size("USE_PACKETS") > 0 ? 5 * score.size("N_CONSOLES") : 0;
    bytes += score.size("USE_BYTES") > 0 ? 4 * score.size("N_CONSOLES") : 0;
    bytes += score.size("N_STRIPS") > 0 ? 1 : 0;
    bytes += score.size("USE_RUNNING") > 0 ? 4 * score.size("N_PROFILES") : 0;
    return bytes;
  }
}
