import { readClock } from './clockTime.ts';

it('reads a time of day as people type it, and nothing else', () => {
  const times = ['13:00', '13.30', '1300', '9', '09:05', '1:30 pm', '12 am', '12:15 PM', '24:00'];
  expect(times.map(readClock)).toEqual([780, 810, 780, 540, 545, 810, 0, 735, 1440]);
  expect(['', 'noon', '25', '12:60', '24:01', '13 pm', '1:5'].map(readClock)).toEqual(Array(7).fill(null));
});
