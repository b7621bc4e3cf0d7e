package kumite.verdict;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.BiConsumer;
import java.util.function.Predicate;
import kumite.build.Aspect;
import kumite.build.Seat;
import kumite.firmware.Firmware;
import kumite.measure.Paper;

/**
 * Something that goes to the bench as files, the same for the window and the command line. A room
 * declares those that it has.
 *
 * <pre>{@code
 * static final Export DRILL =
 *     Export.of("drill-csv", "Drill table", "drill.csv", b -> utf8(Tables.drill(b))).once();
 * }</pre>
 */
public final class Export {
  private final String word;
  private final String title;
  private final String file;
  private final Maker maker;
  private final Nature nature;

  /**
   * How it is made use of.
   *
   * @param onPaper whether it is printed, so that the paper matters
   * @param cut whether a machine cuts by it, so that the kerf matters
   * @param perBoard whether a build of several boards has several of it
   * @param folder the folder that its files lie in where all exports are written; ends with a slash
   * @param wanted builds that it is written for where all exports are
   * @param notes what to know before it is written
   */
  private record Nature(
      boolean onPaper,
      boolean cut,
      boolean perBoard,
      String folder,
      Predicate<Bench> wanted,
      Notes notes) {
    static final Nature PLAIN =
        new Nature(false, false, true, "", bench -> true, bench -> List.of());
  }

  /** Makes the files. */
  public interface Maker {
    /**
     * {@return its files by name}
     *
     * @throws IllegalArgumentException if the build or a choice does not allow it; says why
     */
    Map<String, byte[]> files(Bench bench, Choices choices);
  }

  /** Says what to know before it is written. */
  public interface Notes {
    /** {@return the notes; mostly none} */
    List<String> of(Bench bench);
  }

  /** Makes one file. */
  public interface Content {
    /**
     * {@return what is in the file}
     *
     * @throws IllegalArgumentException if the build does not allow it; says why
     */
    byte[] of(Bench bench);
  }

  /** Makes one file for a choice of paper, kerf and target. */
  public interface Chosen {
    /**
     * {@return what is in the file}
     *
     * @throws IllegalArgumentException if the build or a choice does not allow it; says why
     */
    byte[] of(Bench bench, Choices choices);
  }

  /**
   * What an export can be told.
   *
   * @param paper the paper of printed ones
   * @param kerfMm how wide the beam or cutter of a cut drawing cuts, 0 to 10
   * @param target what kind of code
   */
  public record Choices(Paper paper, double kerfMm, Firmware.Target target) {
    /** A4, true sizes, plain code. */
    public static final Choices USUAL = new Choices(Paper.A4, 0);

    /** For drawings and paper; code is the portable one. */
    public Choices(Paper paper, double kerfMm) {
      this(paper, kerfMm, Firmware.Target.PORTABLE);
    }
  }

  private Export(String word, String title, String file, Maker maker, Nature nature) {
    this.word = Objects.requireNonNull(word, "word");
    this.title = Objects.requireNonNull(title, "title");
    this.file = Objects.requireNonNull(file, "file");
    this.maker = Objects.requireNonNull(maker, "maker");
    this.nature = nature;
  }

  /**
   * {@return an export of several files}
   *
   * @param word its word on the command line
   * @param title its name for people
   * @param file the name of its first file
   */
  public static Export ofFiles(String word, String title, String file, Maker maker) {
    return new Export(word, title, file, maker, Nature.PLAIN);
  }

  /** {@return an export of one file} */
  public static Export of(String word, String title, String file, Content content) {
    return ofFiles(word, title, file, (bench, choices) -> Map.of(file, content.of(bench)));
  }

  /** {@return an export of one file that depends on what was chosen} */
  public static Export chosen(String word, String title, String file, Chosen content) {
    return ofFiles(word, title, file, (bench, choices) -> Map.of(file, content.of(bench, choices)));
  }

  private Export as(Nature next) {
    return new Export(word, title, file, maker, next);
  }

  /** {@return the same, printed, so that the paper matters} */
  public Export printed() {
    return as(
        new Nature(true, nature.cut, nature.perBoard, nature.folder, nature.wanted, nature.notes));
  }

  /** {@return the same, which a machine cuts by, so that the kerf matters} */
  public Export cut() {
    return as(
        new Nature(
            nature.onPaper, true, nature.perBoard, nature.folder, nature.wanted, nature.notes));
  }

  /** {@return the same, of the whole build, however many boards it has} */
  public Export once() {
    return as(
        new Nature(nature.onPaper, nature.cut, false, nature.folder, nature.wanted, nature.notes));
  }

  /** {@return the same in a folder of its own where all exports are written; ends with a slash} */
  public Export into(String folder) {
    return as(
        new Nature(
            nature.onPaper, nature.cut, nature.perBoard, folder, nature.wanted, nature.notes));
  }

  /**
   * {@return the same, passed over where all exports are written and a build lacks nothing by it}
   */
  public Export where(Predicate<Bench> wanted) {
    return as(
        new Nature(
            nature.onPaper, nature.cut, nature.perBoard, nature.folder, wanted, nature.notes));
  }

  /** {@return the same, with what to know before it is written} */
  public Export noting(Notes notes) {
    return as(
        new Nature(
            nature.onPaper, nature.cut, nature.perBoard, nature.folder, nature.wanted, notes));
  }

  /** {@return its word on the command line} */
  public String word() {
    return word;
  }

  /** {@return its name for people} */
  public String title() {
    return title;
  }

  /** {@return the name of its first file} */
  public String file() {
    return file;
  }

  /** {@return whether it is printed, so that the paper matters} */
  public boolean onPaper() {
    return nature.onPaper;
  }

  /** {@return whether a machine cuts by it, so that the kerf matters} */
  public boolean isCut() {
    return nature.cut;
  }

  /** {@return what to know before it is written; mostly empty} */
  public List<String> notes(Bench bench) {
    return nature.notes.of(bench);
  }

  /**
   * {@return the content of its first file, for the seat looked at}
   *
   * @throws IllegalArgumentException if the build or a choice does not allow it; the message says
   *     why
   */
  public byte[] content(Bench bench, Choices choices) {
    Map<String, byte[]> files = maker.files(bench, choices);
    return files.containsKey(file) ? files.get(file) : files.values().iterator().next();
  }

  /**
   * {@return all its files by name; most have one, and one for each board that there is}
   *
   * @throws IllegalArgumentException if the build or a choice does not allow it; the message says
   *     why
   */
  public Map<String, byte[]> files(Bench bench, Choices choices) {
    List<Seat> seats = bench.build().seats();
    if (seats.size() < 2 || !nature.perBoard) {
      return maker.files(bench, choices);
    }
    Map<String, byte[]> files = new LinkedHashMap<>();
    for (Seat seat : seats) {
      maker
          .files(bench.next(bench.build().facing(Aspect.of(seat))), choices)
          .forEach((name, bytes) -> files.put(seat.id() + "-" + name, bytes));
    }
    return files;
  }

  /**
   * {@return every file of every export that this build allows, by name}
   *
   * @param left told of each export that it does not allow, and why
   */
  public static Map<String, byte[]> everything(
      Bench bench, Choices choices, BiConsumer<Export, String> left) {
    Map<String, byte[]> files = new LinkedHashMap<>();
    for (Export export : bench.rooms().exports()) {
      if (!export.nature.wanted.test(bench)) {
        continue;
      }
      try {
        export
            .files(bench, choices)
            .forEach((name, bytes) -> files.put(export.nature.folder + name, bytes));
      } catch (IllegalArgumentException e) {
        left.accept(export, e.getMessage());
      }
    }
    return files;
  }

  @Override
  public String toString() {
    return word;
  }
}
