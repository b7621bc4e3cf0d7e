package kumite.desktop.loom;

import java.util.Map;
import java.util.TreeMap;
import javafx.geometry.Insets;
import javafx.geometry.Pos;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.layout.HBox;
import javafx.scene.layout.Region;
import kumite.build.Edit;
import kumite.desktop.shell.Workbench;
import kumite.name.ContactId;
import kumite.verdict.Bench;

/** The plan of terminals as it stands, taken over as locks, so that what is added moves nothing. */
final class Locks extends HBox {
  private final Workbench workbench;
  private final Button button = new Button("Lock all");
  private final Label note = new Label();

  Locks(Workbench workbench) {
    this.workbench = workbench;
    button.setId("lock-all");
    button.setMinWidth(Region.USE_PREF_SIZE);
    button.setOnAction(event -> turn());
    note.setId("locks-note");
    note.getStyleClass().add("note");
    getChildren().addAll(button, note);
    setPadding(new Insets(8));
    setSpacing(12);
    setAlignment(Pos.CENTER_LEFT);
    setMinHeight(Region.USE_PREF_SIZE);
  }

  void show(Bench bench) {
    Map<ContactId, String> planned = planned(bench);
    Map<ContactId, String> now = bench.build().loom().locks();
    long locked = planned.keySet().stream().filter(now::containsKey).count();
    boolean all = locked == planned.size();
    button.setText(all && !planned.isEmpty() ? "Let all go" : "Lock all");
    button.setDisable(planned.isEmpty());
    note.setText(
        planned.isEmpty()
            ? "Nothing has a terminal of its own yet"
            : locked + " of " + planned.size() + " locked: what is added later moves them no more");
  }

  private void turn() {
    Bench bench = workbench.bench().get();
    Map<ContactId, String> now = bench.build().loom().locks();
    Map<ContactId, String> planned = planned(bench);
    boolean all = now.keySet().containsAll(planned.keySet());
    Map<ContactId, String> next = new TreeMap<>(now);
    if (all) {
      next.keySet().removeAll(planned.keySet());
    } else {
      planned.forEach(next::putIfAbsent);
    }
    workbench.apply(
        new Edit(
            all ? "Let all terminals go" : "Lock all terminals",
            b -> b.withLoom(b.loom().withLocks(next))));
  }

  /** Contacts that have a terminal of their own, with it. */
  private static Map<ContactId, String> planned(Bench bench) {
    Map<ContactId, String> planned = new TreeMap<>();
    bench
        .loom()
        .sites()
        .forEach(
            site ->
                bench
                    .loom()
                    .plan()
                    .of(site.id())
                    .ifPresent(pin -> planned.put(site.id(), pin.terminal().name())));
    return planned;
  }
}
