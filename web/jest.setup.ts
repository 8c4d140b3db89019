import '@testing-library/jest-dom';
import { configure } from '@testing-library/dom';
import { TextDecoder, TextEncoder } from 'node:util';

// The browser has these; jsdom does not, and the router asks for them.
Object.assign(globalThis, { TextEncoder, TextDecoder });
// Nor has it media; every question to them is answered no, as on a desk with a mouse.
globalThis.matchMedia ??= ((media: string) => ({
  media,
  matches: false,
  addEventListener: () => {},
  removeEventListener: () => {},
})) as unknown as typeof matchMedia;
// Scrolling is the browser's own business.
Element.prototype.scrollIntoView = () => {};
// A busy machine may take its time to show something.
configure({ asyncUtilTimeout: 60_000 });
