package kumite.build.plan;

import kumite.build.panel.Material;

/** What is done to the surface of a panel. */
public enum Finish {
  PAINTED("painted"),
  BARE("left as it is");

  private final String words;

  Finish(String words) {
    this.words = words;
  }

  /** {@return in words for people} */
  public String words() {
    return words;
  }

  /** {@return what is usual for a material: wood is painted (common practice, no source)} */
  public static Finish usual(Material material) {
    return material == Material.PLYWOOD || material == Material.MDF ? PAINTED : BARE;
  }
}
