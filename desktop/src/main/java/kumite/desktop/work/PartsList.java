package kumite.desktop.work;

import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import javafx.css.PseudoClass;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.control.Tooltip;
import javafx.scene.layout.GridPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.bill.Carriers;
import kumite.bill.Item;
import kumite.bill.Shopping;
import kumite.bill.Stock;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.desktop.shell.FileDesk;
import kumite.desktop.shell.Workbench;
import kumite.files.BuildFileException;
import kumite.verdict.Bench;
import kumite.verdict.Desks;
import kumite.verdict.Works;

/** All that a build takes, held against the drawer, which is kept across builds. */
final class PartsList extends VBox {
  private static final PseudoClass BAD = PseudoClass.getPseudoClass("bad");

  private final Workbench workbench;
  private final FileDesk files;
  private final Label sums = new Label();
  private final GridPane table = new GridPane();
  private Stock stock = Stock.EMPTY;
  private boolean read;

  PartsList(Workbench workbench, FileDesk files) {
    this.workbench = workbench;
    this.files = files;
    Button take = new Button("Read a drawer…");
    take.setId("drawer-read");
    take.setOnAction(event -> files.askDrawer(this::taken));
    Label how =
        Head.note("What you have is kept across builds; type it, or read a table item,have,price");
    sums.getStyleClass().add("strong");
    sums.setId("bill-sums");
    Region gap = new Region();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox top = new HBox(sums, gap, how, take);
    top.getStyleClass().addAll("sheet", "today-bar");
    top.setSpacing(10);
    table.getStyleClass().add("bill-table");
    ScrollPane scroll = new ScrollPane(table);
    scroll.setFitToWidth(true);
    scroll.setFocusTraversable(false);
    scroll.getStyleClass().addAll("quiet-scroll", "sheet");
    VBox.setVgrow(scroll, Priority.ALWAYS);
    setSpacing(8);
    getChildren().addAll(top, scroll);
  }

  void show(Bench bench) {
    if (!read) {
      read = true;
      stock = kept();
    }
    draw(bench);
  }

  private Stock kept() {
    try {
      return files.drawer().read();
    } catch (BuildFileException e) {
      workbench.complain("The drawer: " + e.getMessage());
      return Stock.EMPTY;
    }
  }

  private void taken(String text) {
    try {
      keep(Stock.read(text));
      workbench.say(stock.rows().size() + " rows of the drawer read");
    } catch (IllegalArgumentException e) {
      workbench.complain("The drawer: " + e.getMessage());
    }
  }

  private void keep(Stock next) {
    stock = next;
    try {
      files.drawer().write(stock);
    } catch (BuildFileException e) {
      workbench.complain("The drawer: " + e.getMessage());
    }
    draw(workbench.bench().get());
  }

  private void draw(Bench bench) {
    Shopping shopping = Shopping.of(bench.get(Works.BILL), stock);
    table.getChildren().clear();
    int row = 0;
    for (Item.Group group : Item.Group.values()) {
      boolean any = false;
      for (Shopping.Line line : shopping.lines()) {
        if (line.item().group() == group) {
          if (!any) {
            any = true;
            head(group, row++);
          }
          row(line, row++);
        }
      }
    }
    for (Carriers.Way way : Carriers.of(bench.get(Desks.WORK), stock)) {
      Label words =
          Head.note(
              "Small parts on "
                  + way.how().words()
                  + ": "
                  + Math.round(way.areaMm2())
                  + " mm², "
                  + way.joints()
                  + " joints; "
                  + way.how().why());
      words.setMinWidth(0);
      table.add(words, 0, row++);
    }
    if (row == 0) {
      table.add(Head.note("Nothing is needed yet. Place a control first."), 0, 0);
    }
    StringBuilder words = new StringBuilder(shopping.list().size() + " of ");
    words.append(shopping.lines().size()).append(" to be bought");
    shopping
        .sums()
        .forEach(
            (shop, sum) ->
                words
                    .append(" · ")
                    .append(shop.isEmpty() ? "no shop" : shop)
                    .append(String.format(Locale.ROOT, " %.2f", sum)));
    if (shopping.unpriced() > 0 && shopping.unpriced() < shopping.list().size()) {
      words.append(" · ").append(shopping.unpriced()).append(" without a price");
    }
    sums.setText(words.toString());
  }

  private void head(Item.Group group, int row) {
    Label title = new Label(group.title());
    title.getStyleClass().addAll("card-title", "bill-group");
    table.add(title, 0, row);
    String[] names = {"need", "spare", "have", "buy", "price", "sum"};
    for (int i = 0; i < names.length; i++) {
      Label name = Head.note(names[i]);
      table.add(name, i + 1, row);
    }
  }

  private void row(Shopping.Line line, int row) {
    Item item = line.item();
    String unit = item.unit().words().isEmpty() ? "" : " " + item.unit().words();
    Label what = new Label(item.what());
    what.setTooltip(new Tooltip(item.what() + "\n" + item.id()));
    what.getStyleClass().add("bill-what");
    GridPane.setHgrow(what, Priority.ALWAYS);
    what.setMinWidth(0);
    what.setMaxWidth(Double.MAX_VALUE);
    VBox name = new VBox(what);
    if (!line.instead().isEmpty()) {
      name.getChildren().add(Head.note("in its place: " + String.join(", ", line.instead())));
    }
    line.cutting().ifPresent(cutting -> name.getChildren().add(cut(cutting)));
    name.setMinWidth(0);
    GridPane.setHgrow(name, Priority.ALWAYS);
    table.add(name, 0, row);
    table.add(mono(item.words(item.need()) + unit), 1, row);
    table.add(mono(item.spare() > 0 ? "+ " + item.words(item.spare()) : ""), 2, row);
    table.add(have(line), 3, row);
    Label buy = mono(line.buy() > 0 ? item.words(line.buy()) + unit : "");
    if (line.missing() && !stock.rows().isEmpty()) {
      buy.getStyleClass().add("look-text");
    }
    table.add(buy, 4, row);
    table.add(price(line), 5, row);
    OptionalDouble sum = line.sum();
    table.add(
        mono(
            sum.isPresent() && sum.getAsDouble() > 0
                ? String.format(Locale.ROOT, "%.2f", sum.getAsDouble())
                : ""),
        6,
        row);
  }

  private static Node cut(kumite.bill.Cutting cutting) {
    long used = cutting.pieces().stream().filter(p -> !p.cuts().isEmpty()).count();
    Label words =
        Head.note(
            "cut from "
                + used
                + " of "
                + cutting.pieces().size()
                + " pieces"
                + (cutting.unserved().isEmpty()
                    ? ""
                    : "; " + cutting.unserved().size() + " lengths do not go in"));
    words.setTooltip(
        new Tooltip(
            String.join(
                "\n",
                cutting.pieces().stream()
                    .map(p -> p.lengthMm() + " mm: " + p.cuts() + ", rest " + p.restMm())
                    .toList())));
    return words;
  }

  private static Label mono(String text) {
    Label label = new Label(text);
    label.getStyleClass().add("mono");
    label.setMinWidth(Region.USE_PREF_SIZE);
    return label;
  }

  private Node have(Shopping.Line line) {
    String id = line.item().id();
    double there = stock.of(id).map(Stock.Row::have).orElse(0.0);
    return field("have-" + id, there == 0 ? "" : plain(there), text -> with(id, "have", text));
  }

  private Node price(Shopping.Line line) {
    String id = line.item().id();
    String text =
        line.price().isPresent()
            ? String.format(Locale.ROOT, "%.2f", line.price().getAsDouble())
            : "";
    return field("price-" + id, text, typed -> with(id, "price", typed));
  }

  private static String plain(double value) {
    return value == Math.rint(value) ? Long.toString((long) value) : Double.toString(value);
  }

  private interface Taken {
    void of(String text);
  }

  /** Taken with Enter or when it is left; what cannot be read is told, and the old one stays. */
  private TextField field(String id, String text, Taken taken) {
    TextField field = new TextField(text);
    field.setId(id);
    field.setAccessibleText(id);
    field.getStyleClass().addAll("mono", "bill-field");
    Em.pref(field, 62);
    Em.min(field, 62);
    Runnable take =
        () -> {
          if (!field.getText().strip().equals(text)) {
            try {
              taken.of(field.getText().strip());
            } catch (IllegalArgumentException e) {
              field.pseudoClassStateChanged(BAD, true);
              workbench.complain(e.getMessage());
            }
          }
        };
    field.setOnAction(event -> take.run());
    field
        .focusedProperty()
        .addListener(
            (o, was, is) -> {
              if (!is && field.getScene() != null) {
                take.run();
              }
            });
    return field;
  }

  /** One cell of the drawer, read as its table is read, so that the same is refused. */
  private void with(String id, String column, String text) {
    Stock.Row old =
        stock.of(id).orElse(new Stock.Row(id, 0, java.util.List.of(), OptionalDouble.empty(), ""));
    Map<String, Stock.Row> rows = new LinkedHashMap<>(stock.rows());
    double value = text.isEmpty() ? 0 : one(column, text);
    rows.put(
        id,
        column.equals("have")
            ? new Stock.Row(id, value, old.pieces(), old.price(), old.shop())
            : new Stock.Row(
                id,
                old.have(),
                old.pieces(),
                text.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(value),
                old.shop()));
    keep(new Stock(rows));
  }

  private static double one(String column, String text) {
    Stock.Row row =
        Stock.read("item;" + column + "\nx;\"" + text.replace("\"", "\"\"") + "\"\n")
            .of("x")
            .orElseThrow();
    return column.equals("have") ? row.have() : row.price().orElse(0);
  }
}
