package kumite.build.map;

/** The axes of a gamepad report. Their usage numbers are in the HID usage tables. */
public enum AxisName {
  X,
  Y,
  Z,
  RX,
  RY,
  RZ,
  SLIDER,
  DIAL;

  /** {@return the axis as written on screens and in files, such as {@code Rz}} */
  public String words() {
    return name().charAt(0) + name().substring(1).toLowerCase(java.util.Locale.ROOT);
  }
}
