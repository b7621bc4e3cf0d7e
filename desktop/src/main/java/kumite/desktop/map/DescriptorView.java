package kumite.desktop.map;

import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.control.TextField;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.build.map.AxisName;
import kumite.files.Tables;
import kumite.hid.DescriptorTree;
import kumite.hid.InputField;
import kumite.hid.KeyNames;
import kumite.hid.MediaNames;
import kumite.hid.ReportLayout;
import kumite.hid.Usage;

/** The report descriptor: its bytes, and the fields they lay out. */
final class DescriptorView extends VBox {

  DescriptorView(ReportLayout layout) {
    getStyleClass().add("descriptor");
    byte[] descriptor = layout.descriptor();
    Label title = new Label("Report descriptor, " + descriptor.length + " bytes");
    title.getStyleClass().add("strong");
    Label hex = new Label(Tables.hex(descriptor).stripTrailing());
    hex.getStyleClass().addAll("mono", "descriptor-hex");
    hex.setMinHeight(USE_PREF_SIZE);
    Label fieldsTitle = new Label("Fields, in order of their place in the report");
    fieldsTitle.getStyleClass().add("strong");
    ListView<String> fields = new ListView<>();
    fields.getStyleClass().add("mono");
    fields.setAccessibleText("Fields of the reports");
    fields.setFixedCellSize(26);
    List<String> rows =
        layout.fields().stream()
            .filter(f -> f.usage().page() != Usage.KEYBOARD || f.bits() == 1)
            .map(DescriptorView::row)
            .toList();
    fields.getItems().setAll(rows);
    VBox.setVgrow(fields, Priority.ALWAYS);
    Label readTitle = new Label("Read another descriptor");
    readTitle.getStyleClass().add("strong");
    TextField typed = new TextField();
    typed.setId("descriptor-typed");
    typed.setAccessibleText("Bytes of any report descriptor, in hexadecimal");
    typed.setPromptText("bytes in hexadecimal, such as 05 01 09 06 A1 01 ... C0, then Enter");
    typed.getStyleClass().add("mono");
    typed.setOnAction(event -> read(typed.getText(), fieldsTitle, fields, rows));
    getChildren().addAll(title, hex, readTitle, typed, fieldsTitle, fields);
  }

  /** Shows another descriptor as a tree; an empty line puts this build's fields back. */
  private static void read(String typed, Label title, ListView<String> list, List<String> own) {
    if (typed.isBlank()) {
      title.setText("Fields, in order of their place in the report");
      list.getItems().setAll(own);
      return;
    }
    try {
      byte[] bytes = HexFormat.of().parseHex(typed.replaceAll("(?i)0x|[\\s,;:]", ""));
      DescriptorTree tree = DescriptorTree.of(bytes);
      title.setText(
          "As a tree: "
              + String.join(
                  ", ",
                  tree.reports().stream()
                      .map(
                          r ->
                              "report "
                                  + r.id()
                                  + " "
                                  + r.type().word()
                                  + " "
                                  + r.bytes()
                                  + " bytes")
                      .toList()));
      list.getItems()
          .setAll(
              tree.lines().stream()
                  .map(line -> "   ".repeat(line.depth()) + line.words())
                  .toList());
    } catch (IllegalArgumentException e) {
      title.setText("It cannot be read: " + e.getMessage());
      list.getItems().clear();
    }
  }

  private static String row(InputField f) {
    return String.format(
        Locale.ROOT,
        "report %d  byte %2d bit %d  %2d bits  %d to %d  %s  %s",
        f.reportId(),
        f.byteIndex(),
        f.bitIndex(),
        f.bits(),
        f.logicalMinimum(),
        f.logicalMaximum(),
        f.usage(),
        name(f.usage()));
  }

  private static String name(Usage usage) {
    return switch (usage.page()) {
      case Usage.BUTTON -> "Button " + usage.id();
      case Usage.KEYBOARD -> "Key " + KeyNames.of(usage.id());
      case Usage.CONSUMER -> "Media " + MediaNames.of(usage.id());
      default ->
          usage.equals(Usage.HAT)
              ? "Hat"
              : usage.page() == Usage.GENERIC_DESKTOP && usage.id() >= 0x30 && usage.id() <= 0x37
                  ? "Axis " + AxisName.values()[usage.id() - 0x30].words()
                  : usage.toString();
    };
  }
}
