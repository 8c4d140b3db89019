export * from './body.ts';
export * from './distance.ts';
export * from './polygon.ts';
export * from './shape.ts';
export * from './vector.ts';
