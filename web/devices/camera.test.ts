import { cameraProblem, frameOf } from './camera.ts';

test('why there is no picture is said in words, with what to do instead', () => {
  const named = (name: string): Error => Object.assign(new Error('x'), { name });
  expect(cameraProblem(named('NotAllowedError'))).toMatch(/Allow it, or take a photo/);
  expect(cameraProblem(named('NotFoundError'))).toMatch(/no camera on this device/);
  expect(cameraProblem(named('NotReadableError'))).toMatch(/Another program/);
  // A page over plain http has no media devices at all.
  expect(cameraProblem(new TypeError('undefined'))).toMatch(/HTTPS.*photo/);
});
test('a video that shows nothing yet has no frame', () => {
  expect(frameOf(document.createElement('video'), document.createElement('canvas'))).toBeNull();
});
