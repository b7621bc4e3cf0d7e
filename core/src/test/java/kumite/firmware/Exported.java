package kumite.firmware;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.Stream;
import kumite.build.Build;
import kumite.build.map.Choice;
import kumite.build.map.Profile;
import kumite.build.map.Script;
import kumite.device.Away;
import kumite.device.Noise;
import kumite.kind.BoardKind;
import kumite.loom.ContactSite;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import kumite.verdict.Bench;

/** Exported code in a folder, compiled by the compiler of this machine, and run. */
public final class Exported {
  private static final Path FOLDER = folder();

  /**
   * A small C compiler, where this machine has it: ten times as quick as the large one, which
   * proves the strict flags where they matter. Both give the same doubles: no fused operations, no
   * excess precision.
   */
  public static final String QUICK =
      there("tcc") ? "tcc -std=c99" : "gcc -std=c99 -O0 -ffp-contract=off";

  private Exported() {}

  private static boolean there(String tool) {
    try {
      return new ProcessBuilder("sh", "-c", "command -v " + tool).start().waitFor() == 0;
    } catch (IOException e) {
      return false;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      return false;
    }
  }

  private static Path folder() {
    try {
      return Files.createDirectories(Path.of("target", "firmware").toAbsolutePath());
    } catch (IOException e) {
      throw new IllegalStateException(e);
    }
  }

  /** {@return the blueprint of a build; empty where its board takes no program} */
  public static Optional<Blueprint> blueprint(Build build) {
    Bench bench = Bench.of(build, Catalogue.standard());
    Optional<BoardKind> board = bench.board();
    boolean can =
        board.filter(b -> Blueprint.why(b, bench.loom().pads()).isEmpty()).isPresent()
            && bench.circuit().filter(w -> !w.inputs().looks().all().isEmpty()).isPresent();
    return can
        ? Optional.of(
            Blueprint.of(bench.build(), board.get(), bench.loom(), bench.circuit().get().inputs()))
        : Optional.empty();
  }

  /** Writes files into a fresh folder. */
  public static Path write(String name, Map<String, String> files) throws IOException {
    Path folder = FOLDER.resolve(name);
    if (Files.exists(folder)) {
      try (Stream<Path> old = Files.walk(folder)) {
        for (Path path : old.sorted(Comparator.reverseOrder()).toList()) {
          Files.delete(path);
        }
      }
    }
    return writeOver(name, files);
  }

  /** Writes files into a folder beside what is there. */
  public static Path writeOver(String name, Map<String, String> files) throws IOException {
    Path folder = FOLDER.resolve(name);
    for (Map.Entry<String, String> file : files.entrySet()) {
      Path path = folder.resolve(file.getKey());
      Files.createDirectories(path.getParent());
      Files.writeString(path, file.getValue());
    }
    return folder;
  }

  /**
   * Runs a command in a folder.
   *
   * @return what it printed on both streams
   * @throws AssertionError if it failed
   */
  public static String run(Path folder, String input, String... command) throws IOException {
    Path in = Files.createTempFile(FOLDER, "in", "");
    Files.writeString(in, input);
    Process process =
        new ProcessBuilder(command)
            .directory(folder.toFile())
            .redirectErrorStream(true)
            .redirectInput(in.toFile())
            .start();
    try (InputStream out = process.getInputStream()) {
      String text = new String(out.readAllBytes(), StandardCharsets.UTF_8);
      int code = process.waitFor();
      Files.delete(in);
      if (code != 0) {
        throw new AssertionError(
            String.join(" ", command) + " in " + folder + " failed (" + code + "):\n" + text);
      }
      return text;
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
      throw new AssertionError(e);
    }
  }

  /** One play: its line for the program, and the reports it has to give. */
  public record Play(String line, String reports) {}

  /** {@return plays drawn by chance, and what the simulated device tells of them} */
  public static List<Play> plays(Blueprint blueprint, int count, SplittableRandom random) {
    List<Play> plays = new ArrayList<>();
    List<ContactSite> sites = blueprint.loom().sites();
    for (int i = 0; i < count; i++) {
      long seed = random.nextLong();
      TreeSet<ContactId> held = new TreeSet<>();
      for (Profile profile : blueprint.profiles()) {
        for (ContactId contact : profile.choice().contacts()) {
          if (random.nextInt(3) == 0 && sites.stream().anyMatch(s -> s.id().equals(contact))) {
            held.add(contact);
          }
        }
      }
      Profile taken =
          kumite.device.PowerUp.chosen(
              blueprint.profiles(), blueprint.inputs(), blueprint.tuning(), held);
      String drawn =
          CheckScripts.drawn(sites, random, random.nextInt(1, 25), random.nextInt(2, 300));
      Script script = Script.parse("drawn", combined(blueprint, random, drawn));
      List<Away> away = new ArrayList<>();
      for (int k = random.nextInt(4) == 0 ? random.nextInt(3) : 0; k > 0; k--) {
        long from = random.nextInt(300_000);
        away.add(new Away(from, from + random.nextInt(150_000)));
      }
      Noise noise = new Noise(random.nextInt(4) == 0 ? random.nextInt(1, 9) : 0);
      CheckScripts.Check check =
          new CheckScripts.Check(
              seed,
              List.copyOf(held),
              away,
              random.nextInt(3) == 0 ? (1L << 32) - random.nextInt(400_000) : 0,
              noise,
              script,
              CheckScripts.lines(
                  blueprint, taken, blueprint.device(taken).with(noise).play(script, seed, away)));
      plays.add(new Play(check.line(), check.reports()));
    }
    return plays;
  }

  /**
   * With one in three a combination is held, long enough or not quite, and what is drawn over it.
   */
  private static String combined(Blueprint blueprint, SplittableRandom random, String drawn) {
    StringBuilder text = new StringBuilder(drawn);
    for (Profile profile : blueprint.profiles()) {
      if (profile.choice() instanceof Choice.Running wants && random.nextInt(3) == 0) {
        int from = random.nextInt(400);
        for (ContactId contact : wants.contacts()) {
          if (blueprint.loom().site(contact).isPresent()) {
            text.append(contact)
                .append('@')
                .append(from + random.nextInt(30))
                .append("ms+")
                .append(1950 + random.nextInt(300))
                .append("ms ");
          }
        }
      }
    }
    return text.toString();
  }

  /** An empty line ends what one play gave; it may have given nothing. */
  private static String[] answers(String given) {
    List<String> answers = new ArrayList<>();
    StringBuilder answer = new StringBuilder();
    for (String line : given.split("\n", -1)) {
      if (line.isEmpty()) {
        answers.add(answer.toString());
        answer.setLength(0);
      } else {
        answer.append(line).append('\n');
      }
    }
    return answers.toArray(new String[0]);
  }

  /** {@return the first play that tells otherwise, in words; empty where all agree} */
  public static Optional<String> difference(List<Play> plays, String given) {
    String[] answers = answers(given);
    for (int i = 0; i < plays.size(); i++) {
      String wanted = plays.get(i).reports().strip();
      String got = i < answers.length ? answers[i].strip() : "";
      if (!wanted.equals(got)) {
        String[] a = wanted.split("\n");
        String[] b = got.split("\n");
        int at = 0;
        while (at < a.length && at < b.length && a[at].equals(b[at])) {
          at++;
        }
        return Optional.of(
            "play "
                + i
                + ": "
                + plays.get(i).line()
                + "line "
                + at
                + " of "
                + a.length
                + "/"
                + b.length
                + ": wanted "
                + (at < a.length ? a[at] : "nothing")
                + ", got "
                + (at < b.length ? b[at] : "nothing"));
      }
    }
    return Optional.empty();
  }
}
