package kumite.panel;

import kumite.kind.ControlKind;

/** What lies between two parts, at every height. */
final class PairGaps {
  private PairGaps() {}

  static void measure(Placed a, Placed b, double webMm, Measured into) {
    swings(a, b, into);
    caps(a, b, into);
    Swept.Between holes = Placed.narrowest(a.holes(), b.holes(), Gaps.INTEREST_MM);
    if (holes != null) {
      into.pair(Gap.Kind.HOLE_HOLE, a, b, holes, webMm, "web left by the material");
    }
    if (!a.face().clearlyBeyond(b.face(), Gaps.INTEREST_MM)) {
      into.pair(
          Gap.Kind.FLANGE_FLANGE,
          a,
          b,
          a.face().to(b.face()),
          Gaps.FLANGE_MM,
          "room to tell them apart and to tighten them");
    }
    heads(a, b, into);
    heads(b, a, into);
    Swept.Between bodies = Placed.narrowest(a.below(), b.below(), Gaps.INTEREST_MM);
    if (bodies != null) {
      into.pair(Gap.Kind.BODY_BODY, a, b, bodies, Gaps.BODY_MM, "room to get them in");
    }
    wrench(a, b, into);
    wrench(b, a, into);
  }

  private static void swings(Placed a, Placed b, Measured into) {
    ControlKind.Above one = a.kind().above();
    ControlKind.Above other = b.kind().above();
    if (one.heightMm() < Gaps.STANDS_MM || other.heightMm() < Gaps.STANDS_MM) {
      return; // a hand passes over what is flush
    }
    double fingers = Math.max(one.fingersMm(), other.fingersMm());
    if (fingers > 0 && !a.swing().clearlyBeyond(b.swing(), fingers)) {
      into.pair(
          Gap.Kind.SWING_SWING,
          a,
          b,
          a.swing().to(b.swing()),
          fingers,
          "room for the fingers that hold them");
    }
  }

  /** Caps that are wider than what carries them run into each other before their flanges do. */
  private static void caps(Placed a, Placed b, Measured into) {
    if (a.capped() && b.capped() && !a.swing().clearlyBeyond(b.swing(), Gaps.CAP_MM)) {
      Swept.Between between = a.swing().to(b.swing());
      if (between.gapMm() < Gaps.CAP_MM) {
        into.pair(Gap.Kind.CAP_CAP, a, b, between, Gaps.CAP_MM, "so that neither drags the other");
      }
    }
  }

  /** A flange over the head of a neighbour's screw sits crooked, and the screw is out of reach. */
  private static void heads(Placed screwed, Placed other, Measured into) {
    for (Swept head : screwed.heads()) {
      if (!head.clearlyBeyond(other.face(), Gaps.HEAD_MM)) {
        Swept.Between between = head.to(other.face());
        if (between.gapMm() < Gaps.HEAD_MM) {
          into.pair(
              Gap.Kind.HEAD_FLANGE,
              screwed,
              other,
              between,
              Gaps.HEAD_MM,
              "so that the flange lies flat and the screw can be turned");
          return;
        }
      }
    }
  }

  /** The nut of the first is turned beside the body of the second. */
  private static void wrench(Placed turned, Placed other, Measured into) {
    Swept.Between between = Placed.narrowest(turned.wrench(), other.below(), Gaps.INTEREST_MM);
    if (between != null) {
      into.pair(Gap.Kind.WRENCH_BODY, turned, other, between, 0, "the wrench just passes");
    }
  }
}
