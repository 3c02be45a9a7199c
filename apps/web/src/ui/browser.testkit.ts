import 'reflect-metadata';
import { configure } from '@testing-library/dom';
import { TextDecoder, TextEncoder } from 'node:util';

// Machines are shared: what comes is waited for, however slow the others make it.
configure({ asyncUtilTimeout: 10_000 });

/* What the made-up browser of the component tests lacks and Radix asks for. */
class Observer {
  observe(): void {}
  unobserve(): void {}
  disconnect(): void {}
}
Object.assign(globalThis, {
  ResizeObserver: Observer,
  TextDecoder,
  TextEncoder,
  IS_REACT_ACT_ENVIRONMENT: true,
});
Object.assign(Element.prototype, {
  hasPointerCapture: () => false,
  setPointerCapture: () => {},
  scrollIntoView: () => {},
});
