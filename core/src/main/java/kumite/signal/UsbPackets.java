package kumite.signal;

import java.util.ArrayList;
import java.util.List;

/**
 * The bits of USB packets on their way: fields, checks, stuffing and the code of the line (USB 2.0,
 * chapter 7 and 8; from memory).
 */
final class UsbPackets {
  static final int IN = 0x69;
  static final int DATA0 = 0xC3;
  static final int DATA1 = 0x4B;
  static final int ACK = 0xD2;

  private static final int STUFF_AFTER = 6;
  private static final int SYNC = 0x80;

  private UsbPackets() {}

  /** How both lines stand for a bit. */
  enum Symbol {
    /** As at rest. */
    J,
    K,
    /** Both low. */
    NONE
  }

  /** {@return the five check bits over eleven bits of address and endpoint} */
  static int crc5(int address, int endpoint) {
    int field = address | endpoint << 7;
    int crc = 0x1F;
    for (int i = 0; i < 11; i++) {
      boolean differs = (field >> i & 1) != (crc & 1);
      crc >>= 1;
      crc ^= differs ? 0x14 : 0;
    }
    return ~crc & 0x1F;
  }

  /** {@return the sixteen check bits over the bytes of a data packet} */
  static int crc16(List<Integer> bytes) {
    int crc = 0xFFFF;
    for (int value : bytes) {
      crc ^= value;
      for (int i = 0; i < 8; i++) {
        crc = crc >> 1 ^ ((crc & 1) == 1 ? 0xA001 : 0);
      }
    }
    return ~crc & 0xFFFF;
  }

  /** {@return a question for data} */
  static List<Integer> in(int address, int endpoint) {
    int field = address | endpoint << 7 | crc5(address, endpoint) << 11;
    return List.of(IN, field & 0xFF, field >> 8);
  }

  /** {@return a packet of data} */
  static List<Integer> data(boolean odd, List<Integer> bytes) {
    List<Integer> packet = new ArrayList<>();
    packet.add(odd ? DATA1 : DATA0);
    packet.addAll(bytes);
    int crc = crc16(bytes);
    packet.add(crc & 0xFF);
    packet.add(crc >> 8);
    return packet;
  }

  /** {@return the line's symbols of a packet, from its sync to its end} */
  static List<Symbol> symbols(List<Integer> packet) {
    List<Symbol> symbols = new ArrayList<>();
    boolean rest = true;
    int ones = 0;
    List<Integer> all = new ArrayList<>();
    all.add(SYNC);
    all.addAll(packet);
    for (int value : all) {
      for (int i = 0; i < 8; i++) {
        boolean one = (value >> i & 1) == 1;
        rest = one == rest; // a zero turns the line, a one leaves it
        symbols.add(rest ? Symbol.J : Symbol.K);
        ones = one ? ones + 1 : 0;
        if (ones == STUFF_AFTER) {
          rest = !rest;
          symbols.add(rest ? Symbol.J : Symbol.K);
          ones = 0;
        }
      }
    }
    symbols.add(Symbol.NONE);
    symbols.add(Symbol.NONE);
    symbols.add(Symbol.J);
    return symbols;
  }

  /** {@return the bytes of a packet, its sync left out; empty where that is no packet} */
  static List<Integer> packet(List<Symbol> symbols) {
    List<Boolean> bits = new ArrayList<>();
    Symbol before = Symbol.J;
    int ones = 0;
    for (Symbol symbol : symbols) {
      boolean one = symbol == before;
      if (ones == STUFF_AFTER) {
        if (one) {
          return List.of();
        }
        ones = 0;
      } else {
        bits.add(one);
        ones = one ? ones + 1 : 0;
      }
      before = symbol;
    }
    if (bits.size() % 8 != 0 || bits.size() < 16) {
      return List.of();
    }
    List<Integer> bytes = new ArrayList<>();
    for (int i = 0; i < bits.size(); i += 8) {
      int value = 0;
      for (int b = 0; b < 8; b++) {
        value |= bits.get(i + b) ? 1 << b : 0;
      }
      bytes.add(value);
    }
    return bytes.get(0) == SYNC ? List.copyOf(bytes.subList(1, bytes.size())) : List.of();
  }
}
