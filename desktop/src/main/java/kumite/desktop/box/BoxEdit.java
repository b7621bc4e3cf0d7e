package kumite.desktop.box;

import java.util.function.UnaryOperator;
import kumite.build.box.Box;

/** Makes an edit of the case in one step that can be undone. */
interface BoxEdit {
  /** Makes it; the plain case is taken over first where nobody decided anything. */
  void change(String label, UnaryOperator<Box> change);
}
