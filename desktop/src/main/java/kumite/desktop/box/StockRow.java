package kumite.desktop.box;

import java.util.ArrayList;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.box.BoxPlan;
import kumite.build.box.Box;
import kumite.build.box.StockSheet;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.field.TypedField;
import kumite.measure.LengthUnit;

/** The sheets or boards that there are to cut from. */
final class StockRow extends VBox {
  private static final double FIELD_PX = 76;

  private final BoxEdit box;

  StockRow(BoxEdit box) {
    this.box = box;
    setSpacing(6);
  }

  void show(BoxPlan plan, LengthUnit unit) {
    getChildren().clear();
    Label title = new Label("Sheets there are");
    title.getStyleClass().add("strong");
    Label note =
        new Label(
            plan.box().stock().isEmpty()
                ? "The usual sheets of a shop. Say your own to cut from those."
                : "0 means as many as it takes.");
    note.getStyleClass().add("note");
    note.setWrapText(true);
    getChildren().addAll(title, note);
    List<StockSheet> stock = plan.box().stock();
    for (int i = 0; i < stock.size(); i++) {
      getChildren().add(row(stock, i, unit));
    }
    Button add = new Button("Add a sheet");
    add.setId("stock-add");
    add.setMinWidth(Region.USE_PREF_SIZE);
    add.setDisable(stock.size() >= Box.MOST_SHEETS);
    add.setOnAction(
        event -> change("Add a sheet", stock, stock.size(), new StockSheet(600, 400, 0)));
    getChildren().add(add);
  }

  private FlowPane row(List<StockSheet> stock, int i, LengthUnit unit) {
    StockSheet sheet = stock.get(i);
    TypedField width =
        TypedField.length(
            "width of sheet " + (i + 1),
            StockSheet.SIDE,
            mm -> {
              if (mm != sheet.widthMm()) {
                change("Sheet", stock, i, new StockSheet(mm, sheet.heightMm(), sheet.count()));
              }
            });
    TypedField height =
        TypedField.length(
            "height of sheet " + (i + 1),
            StockSheet.SIDE,
            mm -> {
              if (mm != sheet.heightMm()) {
                change("Sheet", stock, i, new StockSheet(sheet.widthMm(), mm, sheet.count()));
              }
            });
    TypedField count =
        TypedField.number(
            "how many of sheet " + (i + 1),
            StockSheet.COUNT,
            n -> {
              if ((int) n != sheet.count()) {
                change(
                    "Sheet",
                    stock,
                    i,
                    new StockSheet(sheet.widthMm(), sheet.heightMm(), (int) Math.rint(n)));
              }
            });
    width.unit(unit);
    height.unit(unit);
    width.show(sheet.widthMm());
    height.show(sheet.heightMm());
    count.show(sheet.count());
    width.field().setId("stock-width-" + i);
    height.field().setId("stock-height-" + i);
    count.field().setId("stock-count-" + i);
    for (TypedField field : new TypedField[] {width, height, count}) {
      Em.pref(field.field(), FIELD_PX);
    }
    Button out = new Button("Take out");
    out.setId("stock-out-" + i);
    out.setMinWidth(Region.USE_PREF_SIZE);
    out.setOnAction(
        event ->
            box.change(
                "Take a sheet out",
                b -> {
                  List<StockSheet> left = new ArrayList<>(stock);
                  left.remove(i);
                  return b.withStock(left);
                }));
    FlowPane row =
        new FlowPane(
            Head.named("wide", width), Head.named("high", height), Head.named("count", count), out);
    row.setHgap(8);
    row.setVgap(4);
    row.setRowValignment(javafx.geometry.VPos.BOTTOM);
    row.setMinHeight(Region.USE_PREF_SIZE);
    return row;
  }

  private void change(String label, List<StockSheet> stock, int at, StockSheet sheet) {
    box.change(
        label,
        b -> {
          List<StockSheet> next = new ArrayList<>(stock);
          if (at < next.size()) {
            next.set(at, sheet);
          } else {
            next.add(sheet);
          }
          return b.withStock(next);
        });
  }
}
