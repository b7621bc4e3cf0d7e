package kumite.hid;

import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;

/**
 * A report descriptor of a pad drawn by chance, written item by item (HID 1.11, section 6.2.2.2).
 *
 * @param descriptor its bytes
 * @param buttons how many buttons it has, one bit each
 * @param axes the usages of its axes, in order
 * @param hatSteps 8, 4, or 0 for none
 */
public record DrawnPad(byte[] descriptor, int buttons, List<Integer> axes, int hatSteps) {
  private static final int USAGE_PAGE = 0x04;
  private static final int USAGE = 0x08;
  private static final int LEAST = 0x14;
  private static final int MOST = 0x24;
  private static final int SIZE = 0x74;
  private static final int COUNT = 0x94;
  private static final int INPUT = 0x80;
  private static final int OUTPUT = 0x90;

  /** Whether it may be told as a low-speed pad, in 8 bytes at most, is the drawer's choice. */
  public static DrawnPad of(SplittableRandom random, boolean small) {
    Writer out = new Writer(random);
    int buttons = random.nextInt(1, small ? 9 : 21);
    List<Integer> axes = new ArrayList<>();
    for (int usage = 0x30; usage <= 0x38; usage++) {
      if (random.nextInt(small ? 5 : 3) == 0) {
        axes.add(usage);
      }
    }
    int hat = List.of(0, 4, 8, 8).get(random.nextInt(4));
    out.item(USAGE_PAGE, 1).item(USAGE, 4 + random.nextInt(2)).item(0xA0, 1);
    if (random.nextBoolean()) {
      out.item(0x84, random.nextInt(1, 256));
    }
    boolean hatFirst = random.nextBoolean();
    if (hatFirst) {
      out.hat(hat);
    }
    out.gap();
    out.item(USAGE_PAGE, 9).item(0x18, 1).item(0x28, buttons).item(LEAST, 0).item(MOST, 1);
    out.item(SIZE, 1).item(COUNT, buttons).item(INPUT, 2);
    out.gap();
    for (int usage : axes) {
      out.axis(usage, small);
    }
    if (!hatFirst) {
      out.hat(hat);
    }
    if (random.nextBoolean()) { // lamps that the host sets are none of it
      out.item(USAGE_PAGE, 8).item(USAGE, 1).item(SIZE, 8).item(COUNT, 1).item(OUTPUT, 2);
    }
    out.item(0xC0);
    return new DrawnPad(out.bytes.toByteArray(), buttons, List.copyOf(axes), hat);
  }

  private static final class Writer {
    private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    private final SplittableRandom random;

    Writer(SplittableRandom random) {
      this.random = random;
    }

    Writer item(int tag) {
      bytes.write(tag);
      return this;
    }

    Writer item(int tag, int value) {
      int size = value >= -128 && value < 128 ? 1 : value >= -32_768 && value < 32_768 ? 2 : 4;
      bytes.write(tag | (size == 4 ? 3 : size));
      for (int i = 0; i < size; i++) {
        bytes.write(value >> 8 * i & 0xFF);
      }
      return this;
    }

    /** Padding, or what only its maker knows. */
    void gap() {
      int bits = random.nextInt(4);
      if (bits > 0) {
        item(USAGE_PAGE, 0x7F00).item(USAGE, 1).item(LEAST, 0).item(MOST, 1);
        item(SIZE, bits).item(COUNT, 1).item(INPUT, 3);
      }
    }

    void hat(int steps) {
      if (steps > 0) {
        int least = random.nextInt(2);
        item(USAGE_PAGE, 1).item(USAGE, 0x39).item(LEAST, least).item(MOST, least + steps - 1);
        item(SIZE, 4).item(COUNT, 1).item(INPUT, 0x42);
      }
    }

    void axis(int usage, boolean small) {
      int bits = small ? random.nextInt(2, 9) : random.nextInt(2, 17);
      boolean signed = random.nextBoolean();
      int most = signed ? (1 << bits - 1) - 1 : (1 << bits) - 1;
      int least = signed ? -random.nextInt(1, most + 2) : random.nextInt(most);
      item(USAGE_PAGE, 1).item(USAGE, usage).item(LEAST, least).item(MOST, most);
      item(SIZE, bits).item(COUNT, 1).item(INPUT, 2);
    }
  }
}
