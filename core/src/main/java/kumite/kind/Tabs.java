package kumite.kind;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kumite.name.Joint;

/**
 * The tabs of a kind of control, where they are.
 *
 * @param spots each once
 * @param byTab where each is, by its name and by those that it stands for
 */
public record Tabs(List<TabSpot> spots, Map<String, TabSpot> byTab) {
  /** None said. */
  public static final Tabs NONE = new Tabs(List.of(), Map.of());

  public Tabs {
    spots = List.copyOf(spots);
    byTab = Collections.unmodifiableMap(new HashMap<>(byTab));
  }

  /**
   * {@return those tabs}
   *
   * @throws IllegalArgumentException if one is said twice or is no name of a tab
   */
  public static Tabs of(List<TabSpot> spots) {
    Map<String, TabSpot> byTab = new HashMap<>();
    for (TabSpot spot : spots) {
      new Joint("part", spot.tab());
      List<String> names = new ArrayList<>(spot.stands());
      if (!names.contains(spot.tab())) {
        names.add(spot.tab());
      }
      for (String name : names) {
        if (byTab.put(name, spot) != null) {
          throw new IllegalArgumentException("tab \"" + name + "\" is there twice; keep one");
        }
      }
    }
    return new Tabs(spots, byTab);
  }

  /** {@return where a tab is, if the part has it} */
  public Optional<TabSpot> spot(String tab) {
    return Optional.ofNullable(byTab.get(tab));
  }

  /** {@return the tab that a wire for that one lands on: itself, or the pin that stands for it} */
  public String pin(String tab) {
    TabSpot spot = byTab.get(tab);
    return spot == null ? tab : spot.tab();
  }

  /** {@return whether one pin stands for several tabs} */
  public boolean shared(String tab) {
    TabSpot spot = byTab.get(tab);
    return spot != null && spot.stands().size() > 1;
  }

  /**
   * {@return these, with what they leave out where it usually is}
   *
   * <p>A tab that is closed at rest is only there where it is said, once anything of its contact is
   * said: many switches have two tabs.
   *
   * @throws IllegalArgumentException if these name a tab that such a part does not have
   */
  Tabs completed(Tabs usual) {
    if (spots.isEmpty()) {
      return usual;
    }
    for (TabSpot spot : spots) {
      for (String name : spot.stands().isEmpty() ? List.of(spot.tab()) : spot.stands()) {
        if (usual.spot(name).isEmpty() && !name.endsWith(UsualTabs.CLOSED)) {
          throw new IllegalArgumentException(
              "there is no tab \""
                  + name
                  + "\" on such a part; it has "
                  + String.join(", ", usual.spots().stream().map(TabSpot::tab).toList()));
        }
      }
    }
    List<TabSpot> whole = new ArrayList<>(spots);
    usual.spots().stream()
        .filter(spot -> !byTab.containsKey(spot.tab()) && !spot.tab().endsWith(UsualTabs.CLOSED))
        .forEach(whole::add);
    return whole.size() == spots.size() ? this : of(whole);
  }
}
