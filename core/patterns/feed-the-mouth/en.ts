/** Its sentences in English: a message (ICU MessageFormat) by its key. */
export const en = {
  slitBallOverMm: 'Slit the ball over {slit} mm, and once across',
  slitBallOverMm2: 'Slit the ball over {slit} mm',
  holdBallClampOr:
    'Hold the ball in a clamp or an egg cup, never in the hand, and never cut towards the palm: pierce it with the point, then short strokes away from you. Bend the template round it for the line.',
  glueEyes: 'Glue the eyes on',
  drawFace: 'Draw the face',
  strongGluePullEach: 'Strong glue; pull at each when it is dry: they are small parts when they come off.',
  penDoesNotWipe: 'With a pen that does not wipe off.',
  feedOnce: 'Feed it once',
  childFindsOutHow: 'The child finds out how hard it must be squeezed.',
  mouth: 'the mouth',
  doesHandHoldOpen:
    'Does one hand hold it open, thumb on one side and fingers on the other, while the other hand puts in?',
  doesWholeHandClose: 'Does the whole hand close on the cloth, and does the other hand hold the ball?',
  secondSlitAcrossYou: 'A second slit across; you squeeze, the child feeds; a scarf to pull out.',
  largerEndLeftHanging: 'A larger end left hanging out.',
  shorterSlitFirmerBall: 'A shorter slit, a firmer ball, the other hand; then only what the die says.',
  ballWedgedBowlNon:
    'The ball wedged in a bowl on a non-slip mat so that its mouth stays open; a second slit across.',
  stopWhenHandTires:
    'Stop when the hand tires, or shakes: it is hard work. Stop at once when pieces go to the mouth.',
  pulledOut: 'Pulled out',
  wholeHand: 'palmar grasp: whole hand',
  crossedLong: 'Crossed, long',
  wholeHandSqueezes: 'palmar grasp: whole hand squeezes',
  longSlit: 'One long slit',
  shorter: 'Shorter',
  thumbFingersSqueeze: 'digital grasp: thumb and fingers squeeze',
  shortest: 'Shortest',
  squeezesMouthOpenHand: 'Squeezes a mouth open with one hand and feeds it with the other',
  puffinHungryOpensBeak: 'The puffin is hungry. It opens its beak when you squeeze.',
  youGaveFaceWhat: 'You gave it a face. What does it like to eat?',
  counted: '1 ball and {pieces, plural, one {{pieces} piece} other {{pieces} pieces}}',
  throwADie: 'Throw a die and feed so many; how many are in it? Guess, shake, and count them out.',
};
