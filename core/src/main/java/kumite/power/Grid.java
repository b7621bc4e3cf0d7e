package kumite.power;

/**
 * The rows and columns of a matrix.
 *
 * @param rows 1 or more
 * @param columns as many as the rows, or more
 */
public record Grid(int rows, int columns) {
  /**
   * {@return the matrix with fewest wires for so many contacts}
   *
   * <p>Wires r + c are fewest near the square; of two equals the flatter one suits a panel better.
   *
   * @throws IllegalArgumentException if there is less than one contact
   */
  public static Grid of(int contacts) {
    if (contacts < 1) {
      throw new IllegalArgumentException("a matrix has 1 contact or more, but had " + contacts);
    }
    int rows = (int) Math.floor(Math.sqrt(contacts));
    return new Grid(rows, (contacts + rows - 1) / rows);
  }
}
