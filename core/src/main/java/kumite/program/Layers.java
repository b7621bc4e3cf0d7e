package kumite.program;

import java.util.List;
import kumite.build.map.Layer;
import kumite.name.ContactId;

/**
 * Step 6: which layer is in force. Not thread-safe.
 *
 * <p>A press of a contact that reaches a layer counts for that, unless the layer in force then
 * gives the contact a meaning of its own. Of several layers that are reached the last one counts.
 */
public final class Layers {
  private final boolean[] toggles;
  private final int[][] members;
  private final boolean[][] names; // by layer and contact, row 0 for the base
  private final boolean[] reaches; // by contact
  private final boolean[] key; // a press that counts as a layer's
  private final boolean[] before;
  private final boolean[] complete;
  private final boolean[] toggled;
  private int active;
  private boolean started;

  /**
   * Nothing reached yet.
   *
   * @param layers in their order
   * @param contacts in the order of the looks; an empty place for a look without a contact
   */
  public Layers(List<Layer> layers, List<java.util.Optional<ContactId>> contacts) {
    toggles = new boolean[layers.size()];
    members = new int[layers.size()][];
    names = new boolean[layers.size() + 1][contacts.size()];
    reaches = new boolean[contacts.size()];
    for (int l = 0; l < layers.size(); l++) {
      Layer layer = layers.get(l);
      toggles[l] = layer.reach() == Layer.Reach.TOGGLE;
      members[l] =
          java.util.stream.IntStream.range(0, contacts.size())
              .filter(i -> contacts.get(i).filter(layer.by()::contains).isPresent())
              .toArray();
      if (members[l].length < layer.by().size()) {
        members[l] = new int[0]; // a contact without a look: it can never be reached
      }
      for (int i : members[l]) {
        reaches[i] = true;
      }
      for (int i = 0; i < contacts.size(); i++) {
        names[l + 1][i] = contacts.get(i).flatMap(layer.mapping()::of).isPresent();
      }
    }
    key = new boolean[contacts.size()];
    before = new boolean[contacts.size()];
    complete = new boolean[layers.size()];
    toggled = new boolean[layers.size()];
  }

  private Layers(Layers other) {
    toggles = other.toggles;
    members = other.members;
    names = other.names;
    reaches = other.reaches;
    key = other.key.clone();
    before = other.before.clone();
    complete = other.complete.clone();
    toggled = other.toggled.clone();
    active = other.active;
    started = other.started;
  }

  /**
   * {@return the layer in force after one look: 0 the base, else its number from 1}
   *
   * @param pressed the settled state of each contact
   */
  public int look(boolean[] pressed) {
    boolean[] own = names[active];
    for (int i = 0; i < pressed.length; i++) {
      if (reaches[i]) {
        key[i] = pressed[i] && (before[i] ? key[i] : active == 0 || !own[i]);
        before[i] = pressed[i];
      }
    }
    active = 0;
    for (int l = 0; l < members.length; l++) {
      boolean all = members[l].length > 0;
      for (int i : members[l]) {
        all &= key[i];
      }
      // What is held at power-up does not toggle: nobody pressed it.
      if (toggles[l] && all && !complete[l] && started) {
        toggled[l] = !toggled[l];
      }
      complete[l] = all;
      if (toggles[l] ? toggled[l] : all) {
        active = l + 1;
      }
    }
    started = true;
    return active;
  }

  /** {@return by contact, whether its press counts as one that reaches a layer} */
  boolean[] keys() {
    return key;
  }

  Layers copy() {
    return new Layers(this);
  }
}
