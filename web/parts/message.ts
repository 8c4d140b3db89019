/** One thing said at the foot of the screen. */
export interface Message {
  readonly words: string;
  readonly tone: 'clear' | 'stop';
  readonly undo?: () => void;
}
