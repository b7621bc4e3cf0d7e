package kumite.build.panel;

import java.util.Locale;
import kumite.measure.Length;
import kumite.measure.LengthUnit;

/**
 * Blocks as they are typed: a name, a colon, left, front, width and front to back; then, for one
 * that does not fill the depth, what it stands on and how tall it is: {@code rib: 20 60 200 8 floor
 * 12}.
 */
public final class BlockText {
  private static final String FORM =
      "type a name, a colon and four lengths: left, front, width, front to back; such as"
          + " batten: 0 100 400 18. Add floor 12 or panel 18 for one that is only so tall";

  private BlockText() {}

  /**
   * {@return the block that was typed}
   *
   * @param unit of lengths without one
   * @throws IllegalArgumentException if it is none; the message says what to type
   */
  public static Block parse(String text, LengthUnit unit) {
    String[] parts = text.split(":");
    if (parts.length != 2) {
      throw new IllegalArgumentException(FORM);
    }
    String rest = parts[1].strip().toLowerCase(Locale.ROOT);
    Block.Stands stands = Block.Stands.WHOLE;
    double tall = 0;
    for (Block.Stands on : new Block.Stands[] {Block.Stands.FLOOR, Block.Stands.PANEL}) {
      int at = rest.indexOf(on.name().toLowerCase(Locale.ROOT));
      if (at >= 0) {
        stands = on;
        String said = rest.substring(at + on.name().length()).strip();
        if (said.isEmpty()) {
          throw new IllegalArgumentException("say how tall it is: " + FORM);
        }
        tall = Length.parse(said, unit).mm();
        rest = rest.substring(0, at).strip();
      }
    }
    String[] numbers = rest.split("\\s+(?=[-\\d.])");
    if (numbers.length != 4) {
      throw new IllegalArgumentException(FORM);
    }
    double[] mm = new double[4];
    for (int i = 0; i < 4; i++) {
      mm[i] = Length.parse(numbers[i], unit).mm();
    }
    return new Block(parts[0].strip(), mm[0], mm[1], mm[2], mm[3], stands, tall);
  }

  /** {@return a block as it would be typed} */
  public static String of(Block block, LengthUnit unit) {
    String plain =
        block.name()
            + ": "
            + Length.number(block.leftMm(), unit)
            + " "
            + Length.number(block.frontMm(), unit)
            + " "
            + Length.number(block.widthMm(), unit)
            + " "
            + Length.number(block.heightMm(), unit);
    return block.stands() == Block.Stands.WHOLE
        ? plain
        : plain
            + " "
            + block.stands().name().toLowerCase(Locale.ROOT)
            + " "
            + Length.number(block.tallMm(), unit);
  }
}
