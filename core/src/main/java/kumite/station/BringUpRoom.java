package kumite.station;

import java.util.List;
import kumite.bringup.BringUpCode;
import kumite.build.bringup.Entry;
import kumite.build.bringup.Round;
import kumite.build.bringup.RoundBook;
import kumite.files.RoundJson;
import kumite.finding.Code;
import kumite.finding.Finding;
import kumite.finding.Station;
import kumite.room.Derivation;
import kumite.room.PartCodec;
import kumite.sheet.Exports;
import kumite.verdict.Bench;
import kumite.verdict.Export;
import kumite.verdict.Meters;
import kumite.verdict.Room;

/** Does it work, and if not, what is wrong? */
public final class BringUpRoom implements Room {
  @Override
  public Station station() {
    return Station.BRING_UP;
  }

  @Override
  public List<PartCodec<?>> parts() {
    return List.of(RoundJson.CODEC);
  }

  @Override
  public List<? extends Code> codes() {
    return List.of(BringUpCode.values());
  }

  @Override
  public List<Derivation<List<Finding>>> checks() {
    return List.of(Meters.FINDINGS);
  }

  @Override
  public List<Export> exports() {
    return List.of(Exports.ROUND, Exports.READINGS);
  }

  @Override
  public State state(Bench bench) {
    RoundBook book = bench.build().get(RoundBook.PART);
    if (book.now().isEmpty()) {
      return new State(bench.board().isEmpty() ? "nothing yet" : "not begun", false);
    }
    Round now = book.now().get();
    long read = now.entries().stream().map(Entry::answer).filter(a -> a.isPresent()).count();
    return new State("round " + book.rounds().size() + ", " + read + " read", false);
  }

  @Override
  public String nothingToSay(Bench bench) {
    return bench.board().isEmpty()
        ? "Nothing to probe yet. Choose a board at the Loom station first."
        : "Nothing was read yet. Begin a round.";
  }
}
