package kumite.desktop.shell;

import java.util.LinkedHashMap;
import java.util.Map;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.ListCell;
import javafx.scene.control.ListView;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.FlowPane;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Priority;
import javafx.scene.layout.Region;
import javafx.scene.layout.VBox;
import kumite.desktop.field.Em;
import kumite.desktop.field.Head;
import kumite.power.Judgement;
import kumite.power.Sum;

/** The bench calculations on a sheet beside the work, each with its working as one types. */
final class SumsSheet extends HBox {
  private final ListView<Sum> list = new ListView<>();
  private final Label title = new Label();
  private final Label about = new Label();
  private final FlowPane fields = new FlowPane();
  private final VBox result = new VBox();
  private final Map<Sum, Map<String, String>> typed = new LinkedHashMap<>();

  SumsSheet(Runnable close) {
    getStyleClass().addAll("file-pane", "sums");
    setMaxSize(700, 640);
    setId("sums");
    list.getItems().setAll(Sum.values());
    list.setId("sums-list");
    list.setAccessibleText("Sums");
    list.setCellFactory(
        v ->
            new ListCell<>() {
              @Override
              protected void updateItem(Sum sum, boolean empty) {
                super.updateItem(sum, empty);
                setText(empty ? null : sum.title());
              }
            });
    Em.min(list, 190);
    Em.pref(list, 190);
    list.setFixedCellSize(32);
    list.getSelectionModel()
        .selectedItemProperty()
        .addListener(
            (o, was, is) -> {
              if (is != null) {
                ask(is);
              }
            });
    title.getStyleClass().add("emphasis");
    about.getStyleClass().add("note");
    about.setWrapText(true);
    about.setMinHeight(Region.USE_PREF_SIZE);
    fields.getStyleClass().add("field-row");
    fields.setMinHeight(Region.USE_PREF_SIZE);
    result.getStyleClass().add("form");
    ScrollPane scroll = new ScrollPane(result);
    scroll.getStyleClass().add("quiet-scroll");
    scroll.setFitToWidth(true);
    VBox.setVgrow(scroll, Priority.ALWAYS);
    Button done = new Button("Close");
    done.setOnAction(event -> close.run());
    Label hint = new Label("F2 opens this sheet anywhere, Escape closes it.");
    hint.getStyleClass().add("note");
    HBox gap = new HBox();
    HBox.setHgrow(gap, Priority.ALWAYS);
    HBox foot = new HBox(hint, gap, done);
    foot.getStyleClass().add("foot");
    VBox right = new VBox(title, about, fields, scroll, foot);
    right.getStyleClass().add("sums-room");
    HBox.setHgrow(right, Priority.ALWAYS);
    getChildren().addAll(list, right);
    list.getSelectionModel().select(0);
  }

  void open() {
    list.requestFocus();
  }

  void choose(Sum sum) {
    list.getSelectionModel().select(sum);
    list.scrollTo(sum);
  }

  private void ask(Sum sum) {
    title.setText(sum.title());
    about.setText(sum.about());
    fields.getChildren().clear();
    Map<String, String> texts = typed.computeIfAbsent(sum, s -> new LinkedHashMap<>());
    for (Sum.Ask ask : sum.asks()) {
      TextField field = new TextField(texts.getOrDefault(ask.name(), ask.usual()));
      field.setId("sum-" + ask.name());
      Em.pref(field, 130);
      field.getStyleClass().add("mono");
      field.setAccessibleText(ask.words());
      field
          .textProperty()
          .addListener(
              (o, was, is) -> {
                texts.put(ask.name(), is);
                work(sum, texts);
              });
      fields.getChildren().add(Head.named(name(ask), field));
    }
    work(sum, texts);
  }

  private static String name(Sum.Ask ask) {
    return switch (ask.holder()) {
      case "MA" -> ask.name() + ", mA";
      case "V" -> ask.name() + ", V";
      case "OHM" -> ask.name().equals("ohm") ? "ohm" : ask.name() + ", ohm";
      case "PERCENT" -> ask.name() + ", %";
      case "MAH" -> ask.name() + ", mAh";
      case "LENGTH" -> ask.name() + ", mm or in";
      default -> ask.name();
    };
  }

  private static Label judged(Judgement said) {
    Label label = new Label(said.grade().word() + ": " + said.why());
    label.setId("sum-judgement");
    label.getStyleClass().add(said.grade().word() + "-text");
    label.setWrapText(true);
    label.setMinHeight(Region.USE_PREF_SIZE);
    return label;
  }

  private void work(Sum sum, Map<String, String> texts) {
    try {
      Sum.Answer answer = sum.work(texts);
      Label big = new Label(answer.working().result());
      big.getStyleClass().add("emphasis");
      big.setId("sum-result");
      big.setWrapText(true);
      big.setMinHeight(Region.USE_PREF_SIZE);
      result.getChildren().setAll(big);
      answer.judgement().ifPresent(said -> result.getChildren().add(judged(said)));
      result.getChildren().add(new WorkingView(answer.working()));
    } catch (IllegalArgumentException e) {
      Label wrong = new Label(e.getMessage());
      wrong.getStyleClass().add("bad-text");
      wrong.setId("sum-result");
      wrong.setWrapText(true);
      wrong.setMinHeight(Region.USE_PREF_SIZE);
      result.getChildren().setAll(wrong);
    }
  }
}
