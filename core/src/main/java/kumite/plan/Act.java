package kumite.plan;

import static kumite.plan.Implement.COMPUTER;
import static kumite.plan.Implement.CUTTER;
import static kumite.plan.Implement.DRILL;
import static kumite.plan.Implement.DRIVER;
import static kumite.plan.Implement.GLUE;
import static kumite.plan.Implement.HEAT;
import static kumite.plan.Implement.IRON;
import static kumite.plan.Implement.METER;
import static kumite.plan.Implement.PRINTER;
import static kumite.plan.Implement.RULE;
import static kumite.plan.Implement.SAW;
import static kumite.plan.Implement.SPRAY;

import java.util.EnumSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/** What is done in a step. Rules speak of acts, so that they hold for all steps of a kind. */
public enum Act {
  PRINT_TEMPLATE(Sub.PANEL, Where.BENCH, PRINTER),
  CHECK_SCALE(Sub.PANEL, Where.BENCH, RULE),
  CHECK_TURN(Sub.PANEL, Where.BENCH, RULE),
  TRIAL_HOLE(Sub.PANEL, Where.WORKSHOP, DRILL),
  DRILL_HOLES(Sub.PANEL, Where.WORKSHOP, DRILL),
  CUT_HOLES(Sub.PANEL, Where.WORKSHOP, DRILL, SAW),
  WIRE_HOLES(Sub.PANEL, Where.WORKSHOP, DRILL),
  DEBURR(Sub.PANEL, Where.WORKSHOP, SAW),
  PAINT(Sub.PANEL, Where.SPRAY_PLACE, SPRAY),
  PRINT_ART(Sub.PANEL, Where.BENCH, PRINTER),
  LAY_COVER(Sub.PANEL, Where.BENCH, CUTTER),
  COMPARE(Sub.PANEL, Where.BENCH, RULE),
  FIT_FIRST(Sub.PANEL, Where.BENCH, DRIVER),
  FIT(Sub.PANEL, Where.BENCH, DRIVER),
  LOOK_AT_PINS(Sub.BOARDS, Where.BENCH),
  SMALL_PARTS(Sub.BOARDS, Where.BENCH, IRON),
  SOCKETS(Sub.BOARDS, Where.BENCH, IRON),
  CHIPS(Sub.BOARDS, Where.BENCH),
  LOAD_PROGRAM(Sub.BOARDS, Where.HOST, COMPUTER),
  TRY_BOARD(Sub.BOARDS, Where.HOST, COMPUTER),
  FIX_BOARD(Sub.BOARDS, Where.BENCH, DRIVER),
  PASS_CABLE(Sub.LEADS, Where.BENCH),
  LEAD_JOINTS(Sub.LEADS, Where.BENCH, IRON),
  LEAD_BEEP(Sub.LEADS, Where.BENCH, METER),
  LEAD_BOOT(Sub.LEADS, Where.BENCH, HEAT),
  TAKE_APART(Sub.LEADS, Where.BENCH, DRIVER),
  MEASURE_WIRE(Sub.HARNESS, Where.BENCH, RULE),
  CUT_WIRE(Sub.HARNESS, Where.BENCH, CUTTER),
  WIRE_BASE(Sub.HARNESS, Where.BENCH, IRON),
  TUBE(Sub.HARNESS, Where.BENCH),
  JOIN(Sub.HARNESS, Where.BENCH),
  BEEP(Sub.HARNESS, Where.BENCH, METER),
  SHRINK(Sub.HARNESS, Where.BENCH, HEAT),
  LAMPS(Sub.HARNESS, Where.BENCH),
  LAND(Sub.HARNESS, Where.BENCH),
  RELIEF(Sub.HARNESS, Where.BENCH),
  BEEP_ALL(Sub.PROVE, Where.BENCH, METER),
  FIRST_POWER(Sub.PROVE, Where.BENCH, METER),
  HOST_TEST(Sub.PROVE, Where.HOST, COMPUTER),
  CUT_CASE(Sub.CASE, Where.WORKSHOP, SAW),
  PRINT_CASE(Sub.CASE, Where.BENCH),
  MARK_CASE(Sub.CASE, Where.BENCH, RULE),
  OPEN_CASE(Sub.CASE, Where.WORKSHOP, DRILL),
  DRY_CASE(Sub.CASE, Where.WORKSHOP, RULE),
  JOIN_CASE(Sub.CASE, Where.WORKSHOP, GLUE, DRIVER),
  GLUE_DOWN(Sub.CASE, Where.BENCH, GLUE),
  CLOSE(Sub.CASE, Where.BENCH, DRIVER),
  PLAY(Sub.CASE, Where.HOST, COMPUTER),
  OWN(Sub.CASE, Where.BENCH);

  private static final Set<Act> NO_RETURN =
      EnumSet.of(DRILL_HOLES, CUT_HOLES, PAINT, SHRINK, LEAD_BOOT, OPEN_CASE, JOIN_CASE, GLUE_DOWN);

  private static final Set<Act> TESTS =
      EnumSet.of(
          CHECK_SCALE,
          MARK_CASE,
          DRY_CASE,
          CHECK_TURN,
          TRIAL_HOLE,
          FIT_FIRST,
          LOOK_AT_PINS,
          TRY_BOARD,
          LEAD_BEEP,
          BEEP,
          BEEP_ALL,
          FIRST_POWER,
          HOST_TEST);

  private final Sub sub;
  private final Where where;
  private final List<Implement> with;

  Act(Sub sub, Where where, Implement... with) {
    this.sub = sub;
    this.where = where;
    this.with = List.of(with);
  }

  /** {@return what it belongs to} */
  public Sub sub() {
    return sub;
  }

  /** {@return where it is done} */
  public Where where() {
    return where;
  }

  /** {@return with what it is done, wherever it is} */
  public List<Implement> with() {
    return with;
  }

  /** {@return whether it cannot be undone, or only by breaking something} */
  public boolean noReturn() {
    return NO_RETURN.contains(this);
  }

  /** {@return whether it shows that what was done so far is right} */
  public boolean test() {
    return TESTS.contains(this);
  }

  /**
   * {@return how long what follows has to wait, in minutes: paint until it bears art and parts,
   * glue until it is cold; common practice, no source}
   */
  public int waitMinutes() {
    return this == PAINT ? 720 : this == GLUE_DOWN ? 10 : 0;
  }

  /** {@return what can hurt somebody, where something can} */
  public Optional<String> caution() {
    return switch (this) {
      case TRIAL_HOLE, DRILL_HOLES, CUT_HOLES, WIRE_HOLES ->
          Optional.of("Clamp the sheet; goggles; no gloves near a turning drill");
      case PAINT -> Optional.of("Outdoors or under an extractor, with a mask; as its can says");
      case SMALL_PARTS, SOCKETS, LEAD_JOINTS ->
          Optional.of("Hot iron, about 315 °C; air the room; be quick near plastic");
      case SHRINK, LEAD_BOOT ->
          Optional.of("A flame keeps moving below the tube; hot air is kinder");
      case FIRST_POWER ->
          Optional.of("Off at once if anything gets hot or smells; mains is for qualified people");
      case GLUE_DOWN -> Optional.of("Hot glue burns; it comes off with isopropyl alcohol");
      default -> Optional.empty();
    };
  }

  /** {@return its word in rules} */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }
}
