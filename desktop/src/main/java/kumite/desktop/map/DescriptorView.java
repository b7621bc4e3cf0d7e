package kumite.desktop.map;

import java.util.List;
import java.util.Locale;
import javafx.scene.control.Label;
import javafx.scene.control.ListView;
import javafx.scene.layout.Priority;
import javafx.scene.layout.VBox;
import kumite.build.map.AxisName;
import kumite.files.Tables;
import kumite.hid.InputField;
import kumite.hid.KeyNames;
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
    fields.setFixedCellSize(26);
    List<String> rows =
        layout.fields().stream()
            .filter(f -> f.usage().page() != Usage.KEYBOARD || f.bits() == 1)
            .map(DescriptorView::row)
            .toList();
    fields.getItems().setAll(rows);
    VBox.setVgrow(fields, Priority.ALWAYS);
    getChildren().addAll(title, hex, fieldsTitle, fields);
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
      default ->
          usage.equals(Usage.HAT)
              ? "Hat"
              : usage.id() >= 0x30 && usage.id() <= 0x37
                  ? "Axis " + AxisName.values()[usage.id() - 0x30].words()
                  : usage.toString();
    };
  }
}
