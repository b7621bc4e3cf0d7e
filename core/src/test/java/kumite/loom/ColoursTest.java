package kumite.loom;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.stream.IntStream;
import kumite.build.loom.Laying;
import kumite.kind.WireColour;
import kumite.kind.WireColour.Hue;
import kumite.name.ContactId;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** Colours of signal wires. That black is ground and red is supply is common practice. */
public class ColoursTest {

  @DataProvider
  public Object[][] seeds() {
    return IntStream.range(0, 100).mapToObj(seed -> new Object[] {seed}).toArray(Object[][]::new);
  }

  private static Map<String, List<ContactId>> bundles(SplittableRandom random) {
    Map<String, List<ContactId>> bundles = new TreeMap<>();
    for (String side : List.of("left", "right")) {
      List<ContactId> contacts = new ArrayList<>();
      for (int i = random.nextInt(1, 60); i > 0; i--) {
        contacts.add(ContactId.parse(side + "-" + i));
      }
      bundles.put(side, contacts);
    }
    return bundles;
  }

  @Test(dataProvider = "seeds")
  public void noColourComesTwiceInABundleAndNoneIsThatOfARail(int seed) {
    Map<String, List<ContactId>> bundles = bundles(new SplittableRandom(seed));
    Map<ContactId, WireColour> colours = Colours.assign(bundles, Map.of(), Laying.USUAL);
    for (List<ContactId> bundle : bundles.values()) {
      List<WireColour> used = bundle.stream().map(colours::get).toList();
      assertThat(used).doesNotContainNull().doesNotHaveDuplicates();
      assertThat(used).doesNotContain(WireColour.of(Hue.BK), WireColour.of(Hue.RD));
      // Stripes only when the ten plain colours of this bundle are used up.
      long striped = used.stream().filter(c -> c.stripe().isPresent()).count();
      assertThat(striped).isEqualTo(Math.max(0, used.size() - 10));
    }
  }

  /** The builder's own choice stands, and no other wire of its bundle gets the same. */
  @Test(dataProvider = "seeds")
  public void chosenColoursStand(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Map<String, List<ContactId>> bundles = bundles(random);
    Map<ContactId, WireColour> chosen = new LinkedHashMap<>();
    for (List<ContactId> bundle : bundles.values()) {
      Set<WireColour> taken = new HashSet<>();
      for (ContactId contact : bundle) {
        WireColour colour = WireColour.of(Hue.values()[random.nextInt(Hue.values().length)]);
        if (random.nextInt(4) == 0 && taken.add(colour)) {
          chosen.put(contact, colour);
        }
      }
    }
    Map<ContactId, WireColour> colours = Colours.assign(bundles, chosen, Laying.USUAL);
    chosen.forEach((contact, colour) -> assertThat(colours).containsEntry(contact, colour));
    for (List<ContactId> bundle : bundles.values()) {
      assertThat(bundle.stream().map(colours::get)).doesNotHaveDuplicates();
    }
  }

  /** From a drawer of few spools only what is in it comes, each as often as the next, about. */
  @Test(dataProvider = "seeds")
  public void onlyWhatIsAtHandIsUsed(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Set<Hue> stock = new HashSet<>();
    while (stock.size() < 2 + random.nextInt(4)) {
      Hue hue = Hue.values()[random.nextInt(Hue.values().length)];
      if (hue != Hue.BK && hue != Hue.RD) {
        stock.add(hue);
      }
    }
    Map<String, List<ContactId>> bundles = bundles(random);
    Map<ContactId, WireColour> colours =
        Colours.assign(bundles, Map.of(), Laying.USUAL.withStock(stock));
    assertThat(colours.values())
        .allMatch(colour -> colour.stripe().isEmpty() && stock.contains(colour.base()));
    for (List<ContactId> bundle : bundles.values()) {
      long first = bundle.stream().map(colours::get).distinct().count();
      assertThat(first).isEqualTo(Math.min(bundle.size(), stock.size()));
    }
  }

  /** IEC 60757 has two letters a colour (from memory); what is written reads back. */
  @Test
  public void everyCodeReadsBack() {
    for (Hue base : Hue.values()) {
      assertThat(base.name()).hasSize(2);
      assertThat(WireColour.parse(base.name().toLowerCase(java.util.Locale.ROOT)).base())
          .isEqualTo(base);
      assertThat(base.rgb()).isBetween(0, 0xffffff);
      for (Hue stripe : Hue.values()) {
        if (stripe != base) {
          WireColour two = new WireColour(base, java.util.Optional.of(stripe));
          assertThat(WireColour.parse(two.code())).isEqualTo(two);
        }
      }
    }
    assertThat(java.util.Arrays.stream(Hue.values()).map(Hue::rgb)).doesNotHaveDuplicates();
  }
}
