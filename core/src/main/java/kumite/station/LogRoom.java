package kumite.station;

import java.util.List;
import kumite.files.LogJson;
import kumite.finding.Station;
import kumite.room.PartCodec;
import kumite.verdict.Bench;
import kumite.verdict.Room;

/** Dated notes of what was done and measured. */
public final class LogRoom implements Room {
  @Override
  public Station station() {
    return Station.LOG;
  }

  @Override
  public List<PartCodec<?>> parts() {
    return List.of(LogJson.CODEC);
  }

  @Override
  public State state(Bench bench) {
    int notes = bench.build().log().size();
    return new State(notes + (notes == 1 ? " note" : " notes"), false);
  }

  @Override
  public String nothingToSay(Bench bench) {
    return "The log judges nothing; it keeps what you did and measured.";
  }
}
