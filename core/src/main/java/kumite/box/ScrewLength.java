package kumite.box;

import java.util.List;
import java.util.Optional;
import kumite.panel.Screw;

/** Lengths and small parts of screws. */
final class ScrewLength {
  /** Lengths of metric screws up to 80 mm: ISO 888, from memory. */
  static final List<Double> MACHINE =
      List.of(
          4., 5., 6., 8., 10., 12., 16., 20., 25., 30., 35., 40., 45., 50., 55., 60., 65., 70.,
          80.);

  /** Lengths of wood screws that shops have: common practice, no source. */
  static final List<Double> WOOD =
      List.of(10., 12., 16., 20., 25., 30., 35., 40., 45., 50., 60., 70., 80., 100.);

  /**
   * What belongs to a machine screw.
   *
   * @param pitchMm coarse thread, ISO 261; of a No. 8-32 1/32 in, ASME B1.1; from memory
   * @param nutMm height of its nut, ISO 4032; of a No. 8 1/8 in, ASME B18.6.3; from memory
   * @param washerMm its thickness, ISO 7089, from memory; of a No. 8 common practice
   */
  record Set(double pitchMm, double nutMm, double washerMm) {}

  private ScrewLength() {}

  /** {@return what belongs to a screw; empty where it is not known} */
  static Optional<Set> of(Screw screw) {
    return switch (screw.name()) {
      case "M2" -> Optional.of(new Set(0.4, 1.6, 0.3));
      case "M2.5" -> Optional.of(new Set(0.45, 2.0, 0.5));
      case "M3" -> Optional.of(new Set(0.5, 2.4, 0.5));
      case "M3.5" -> Optional.of(new Set(0.6, 2.8, 0.5));
      case "M4" -> Optional.of(new Set(0.7, 3.2, 0.8));
      case "No. 8-32" -> Optional.of(new Set(25.4 / 32, 25.4 / 8, 1.0));
      case "M5" -> Optional.of(new Set(0.8, 4.7, 1.0));
      case "M6" -> Optional.of(new Set(1.0, 5.2, 1.6));
      default -> Optional.empty();
    };
  }

  /** {@return the shortest that is no shorter and no longer} */
  static Optional<Double> between(List<Double> lengths, double leastMm, double mostMm) {
    return lengths.stream().filter(mm -> mm >= leastMm - 1e-9 && mm <= mostMm + 1e-9).findFirst();
  }
}
