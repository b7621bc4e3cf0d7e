package kumite.desktop.bringup;

import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import kumite.bringup.Fault;
import kumite.bringup.FaultKind;
import kumite.bringup.Places;
import kumite.bringup.Question;
import kumite.bringup.StandIn;
import kumite.build.Edit;
import kumite.build.bringup.Entry;
import kumite.build.bringup.Round;
import kumite.build.bringup.RoundBook;
import kumite.desktop.shell.Shell;
import kumite.desktop.shell.StationRoom;
import kumite.desktop.shell.StationView;
import kumite.desktop.shell.Workbench;
import kumite.files.Demo;
import kumite.finding.Station;
import kumite.verdict.Bench;
import kumite.verdict.Desks;

/** Bring-up in the window. */
public final class BringUpStationRoom implements StationRoom {
  private static final int ASKED = 13;

  @Override
  public Station station() {
    return Station.BRING_UP;
  }

  @Override
  public StationView view(Workbench workbench, Shell.Frame frame) {
    return new BringUpStation(workbench, Clock.systemDefaultZone());
  }

  @Override
  public void offer(Workbench workbench, Shell.Frame frame) {
    frame
        .commands()
        .offer(
            "Bring-up: what should the meter show, what is wrong",
            "",
            () -> workbench.station().set(Station.BRING_UP));
  }

  @Override
  public List<Picture> pictures() {
    return List.of(
        new Picture(
            "bring-up",
            hand -> {
              hand.demo(Demo.USUAL);
              hand.workbench().station().set(Station.BRING_UP);
              hand.press("Host");
              hand.workbench().apply(halfRead(hand.workbench().bench().get()));
            },
            8));
  }

  /** The first half of a round before the host, of a desk on which one wire is open. */
  private static Edit halfRead(Bench bench) {
    Places places = bench.places();
    Fault open =
        StandIn.faults(places).stream()
            .filter(f -> f.kind() == FaultKind.OPEN && f.places().contains("radar:NO"))
            .findFirst()
            .orElseThrow();
    StandIn desk = StandIn.of(bench.build().home(), places, bench.get(Desks.METERED), open, 1);
    Round round = Round.begun(LocalDate.of(2026, 11, 28));
    for (Question question :
        places.questions().stream()
            .filter(q -> q.kind() == Question.Kind.HOST)
            .limit(ASKED)
            .toList()) {
      round = round.with(Entry.of(question.ask(), desk.answer(question.ask())));
    }
    RoundBook book = new RoundBook(List.of(round));
    return new Edit("Readings", build -> build.with(RoundBook.PART, book));
  }
}
