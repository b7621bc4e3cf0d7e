package kumite.desktop.field;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.atomic.AtomicInteger;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import javafx.scene.layout.VBox;
import javafx.stage.Stage;
import kumite.desktop.Fx;
import kumite.desktop.Hands;
import kumite.measure.LengthUnit;
import kumite.measure.Range;
import org.testfx.api.FxToolkit;
import org.testng.annotations.AfterMethod;
import org.testng.annotations.BeforeMethod;
import org.testng.annotations.Test;

/** A typed number in a real window. */
public class TypedFieldTest {
  private final AtomicInteger keys = new AtomicInteger();
  private Hands hands;
  private final List<Double> taken = new ArrayList<>();
  private TypedField length;
  private TypedField volts;
  private TextField elsewhere;
  private Stage stage;

  @BeforeMethod
  public void open() throws Exception {
    FxToolkit.registerPrimaryStage();
    hands = new Hands();
    taken.clear();
    Fx.onFx(
        () -> {
          length = TypedField.length("width", Range.of(10, 1000, "mm"), taken::add);
          volts = TypedField.number("supply", Range.of(1, 12, "V"), taken::add);
          elsewhere = new TextField();
          length.show(30);
          volts.show(5);
          stage = new Stage();
          stage.setScene(new Scene(new VBox(elsewhere, length, volts), 400, 300));
          stage.getScene().addEventFilter(KeyEvent.KEY_RELEASED, e -> keys.incrementAndGet());
          stage.show();
          stage.requestFocus();
          return null;
        });
    Fx.idle();
  }

  @AfterMethod(alwaysRun = true)
  public void close() {
    Fx.onFx(
        () -> {
          stage.hide();
          return null;
        });
  }

  private void clickOn(Node node) {
    hands.clickOn(node);
    Fx.await(10, "a click gives no focus", () -> Fx.onFx(node::isFocused));
  }

  private void push(KeyCode key) {
    int before = keys.get();
    hands.push(key);
    Fx.await(10, "no " + key + " arrives", () -> keys.get() > before);
    Fx.idle();
  }

  private void write(TypedField field, String text) {
    clickOn(field.field());
    Fx.onFx(() -> field.field().selectAll());
    hands.write(text);
    Fx.idle();
  }

  private String saysBack(TypedField field) {
    return Fx.onFx(() -> ((Label) field.getChildren().get(1)).getText());
  }

  @Test
  public void saysWhatItUnderstoodWhileItIsTypedAndTakesItOnEnter() {
    write(length, "1 1/8 in");
    assertThat(saysBack(length)).isEqualTo("28.6 mm = 1.125 in");
    assertThat(taken).as("not before it is taken").isEmpty();
    push(KeyCode.ENTER);
    assertThat(taken).containsExactly(28.575);
  }

  @Test
  public void leavingTheFieldTakesItTooAndShowsItRounded() {
    write(length, "12.3456");
    clickOn(elsewhere);
    assertThat(taken).containsExactly(12.3456);
    assertThat(length.field().getText()).isEqualTo("12.3 mm");
  }

  @Test
  public void lookingAtAFieldTakesNothingEvenIfItsNumberIsRounded() {
    Fx.onFx(
        () -> {
          length.show(182.74999);
          return null;
        });
    clickOn(length.field());
    push(KeyCode.ENTER);
    clickOn(elsewhere);
    assertThat(taken).isEmpty();
  }

  @Test
  public void aSlipIsToldAndTheLastGoodValueStands() {
    write(length, "wide");
    assertThat(saysBack(length)).contains("is not a length", "type for example");
    clickOn(elsewhere);
    assertThat(taken).isEmpty();
    assertThat(length.field().getText()).isEqualTo("30.0 mm");
    write(length, "77");
    push(KeyCode.ESCAPE);
    assertThat(length.field().getText()).as("Escape puts it back").isEqualTo("30.0 mm");
  }

  @Test
  public void rangesAreSaidWithTheirUnit() {
    write(volts, "24");
    assertThat(saysBack(volts)).isEqualTo("type 1 to 12 V");
    write(volts, "4,75 V");
    push(KeyCode.ENTER);
    assertThat(taken).containsExactly(4.75);
    write(length, "1 in");
    push(KeyCode.ENTER);
    write(length, "5");
    assertThat(saysBack(length)).isEqualTo("type 10.0 to 1000.0 mm");
    push(KeyCode.ENTER);
    clickOn(elsewhere);
    assertThat(taken).as("what is out of range is not taken").containsExactly(4.75, 25.4);
    Fx.onFx(() -> length.unit(LengthUnit.INCH));
    write(length, "50");
    assertThat(saysBack(length)).isEqualTo("type 0.394 to 39.370 in");
  }

  @Test
  public void showsInchesWhenAskedAndReadsBareNumbersSo() {
    Fx.onFx(
        () -> {
          length.unit(LengthUnit.INCH);
          return null;
        });
    assertThat(length.field().getText()).isEqualTo("1.181 in");
    write(length, "2");
    push(KeyCode.ENTER);
    assertThat(taken).containsExactly(50.8);
    write(length, "40 mm");
    push(KeyCode.ENTER);
    assertThat(taken).containsExactly(50.8, 40.0);
  }
}
