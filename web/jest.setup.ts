import '@testing-library/jest-dom';
import { configure } from '@testing-library/dom';
import { TextDecoder, TextEncoder } from 'node:util';

// The browser has these; jsdom does not, and the router asks for them.
Object.assign(globalThis, { TextEncoder, TextDecoder });
// Scrolling is the browser's own business.
Element.prototype.scrollIntoView = () => {};
// A busy machine may take its time to show something.
configure({ asyncUtilTimeout: 15_000 });
