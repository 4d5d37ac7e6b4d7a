/** Hands every block of an input on, channel by channel. */
class Record extends AudioWorkletProcessor {
  process([input]) {
    if (input.length > 0) {
      const block = input.map((channel) => channel.slice());
      this.port.postMessage(
        block,
        block.map(({ buffer }) => buffer),
      );
    }
    return true;
  }
}
registerProcessor('record', Record);
