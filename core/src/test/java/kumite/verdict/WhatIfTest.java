package kumite.verdict;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import kumite.RandomBuilds;
import kumite.build.Build;
import kumite.loom.ContactSite;
import kumite.loom.Loom;
import kumite.loom.Strand;
import kumite.name.ContactId;
import kumite.parts.Catalogue;
import org.testng.annotations.DataProvider;
import org.testng.annotations.Test;

/** What a row of the table of ways promises is what the bench says once the way is taken. */
public class WhatIfTest {
  private static final Catalogue CATALOGUE = Catalogue.standard();

  @DataProvider
  Object[][] seeds() {
    Object[][] seeds = new Object[12][];
    Arrays.setAll(seeds, i -> new Object[] {i});
    return seeds;
  }

  @Test(dataProvider = "seeds")
  public void aWayTakenIsAsItsRowSaid(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    Build build = RandomBuilds.any(random);
    List<ContactId> contacts =
        ContactSite.all(build, CATALOGUE.with(build)).stream()
            .filter(site -> !site.contact().type().analog())
            .map(ContactSite::id)
            .limit(random.nextInt(1, 9))
            .toList();
    for (WhatIf way : WhatIf.of(build, CATALOGUE, contacts)) {
      Build taken = way.edit().edit().apply(build);
      Bench bench = Bench.of(taken, CATALOGUE);
      Loom loom = bench.loom();
      assertThat(way.metres()).as(way.name()).isEqualTo(metres(loom));
      List<WhatIf> again =
          WhatIf.of(taken, CATALOGUE, contacts).stream()
              .filter(row -> row.name().equals(way.name()))
              .toList();
      assertThat(again).as(way.name()).hasSize(1);
      WhatIf row = again.get(0);
      assertThat(row.chosen()).as(way.name() + " is chosen once taken").isTrue();
      assertThat(promise(row)).as(way.name()).isEqualTo(promise(way));
      if (way.fault().isEmpty()) {
        assertThat(loom.plan().unplaced()).as(way.name() + " fits").isEmpty();
      }
    }
  }

  private static double metres(Loom loom) {
    return loom.strands().stream().mapToInt(Strand::lengthMm).sum() / 1000.0;
  }

  private static List<Object> promise(WhatIf row) {
    return new ArrayList<>(
        List.of(
            row.terminals(),
            row.parts(),
            row.joints(),
            row.scanMicros(),
            row.together(),
            row.metres(),
            row.fault()));
  }
}
