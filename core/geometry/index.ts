export * from './body.ts';
export * from './distance.ts';
export * from './polygon.ts';
export * from './shape.ts';
export { outline, shape, size } from './shapeInput.ts';
export * from './vector.ts';
