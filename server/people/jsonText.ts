/** An answer that is JSON already: what is large is written where it was read, and goes out as it is. */
export class JsonText {
  readonly text: string;
  constructor(text: string) {
    this.text = text;
  }
}
