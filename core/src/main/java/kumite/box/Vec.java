package kumite.box;

/**
 * A place or a way in the space of the case, in mm: x from the left edge of the panel, y from its
 * front edge, z down from its underside.
 */
public record Vec(double x, double y, double z) {
  Vec plus(Vec other) {
    return new Vec(x + other.x, y + other.y, z + other.z);
  }

  Vec minus(Vec other) {
    return new Vec(x - other.x, y - other.y, z - other.z);
  }

  Vec times(double by) {
    return new Vec(x * by, y * by, z * by);
  }

  double dot(Vec other) {
    return x * other.x + y * other.y + z * other.z;
  }

  Vec cross(Vec other) {
    return new Vec(y * other.z - z * other.y, z * other.x - x * other.z, x * other.y - y * other.x);
  }

  double length() {
    return Math.sqrt(dot(this));
  }
}
