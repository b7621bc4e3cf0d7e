package kumite.sheet;

import java.util.ArrayList;
import java.util.List;
import kumite.bill.Bill;
import kumite.bill.Item;
import kumite.measure.Paper;
import kumite.verdict.Bench;

/** The bill as a list to be taken along. */
public final class BillPaper {
  private BillPaper() {}

  /** {@return the bill as a PDF document} */
  public static byte[] pdf(Bench bench, Bill bill, Paper paper) {
    String title = bench.build().brief().title();
    return Pen.pdf(
        title + ", bill",
        paper,
        pen -> {
          Flow flow = new Flow(pen, title, "Bill");
          flow.newPage();
          flow.heading("All that goes into it");
          flow.paragraph(
              "Spares are a tenth of each wire and two of each small part. What is there already"
                  + " or not used is left out.");
          for (Item.Group group : Item.Group.values()) {
            List<String[]> rows = new ArrayList<>();
            for (Item item : bill.items()) {
              if (item.group() == group) {
                rows.add(
                    new String[] {
                      "",
                      item.id(),
                      item.what(),
                      item.words(item.need()) + " " + item.unit().words(),
                      item.words(item.wanted()) + " " + item.unit().words()
                    });
              }
            }
            if (!rows.isEmpty()) {
              flow.table(
                  group.title(),
                  List.of(
                      Flow.Column.tick("", 8),
                      Flow.Column.mono("item", 50),
                      Flow.Column.of("what", 84),
                      Flow.Column.mono("need", 20),
                      Flow.Column.mono("with spares", 24)),
                  rows,
                  "");
            }
          }
        });
  }
}
