import { PatternError } from '../patterns/kernel.ts';

const { exp, log, log1p } = Math;

export interface Spares {
  /** So many are enough with the wanted probability. */
  readonly spares: number;
  /** Losses that are to be expected. */
  readonly expected: number;
}

/** More spares than this are no answer. */
const MOST = 2_000_000;

/**
 * Spares so that what is lost over the loans ahead can be replaced with a stated probability. What is lost a loan is
 * uncertain itself: a gamma prior, updated by what was seen, so that losses ahead follow the posterior's negative binomial
 * distribution (Gelman and others, Bayesian Data Analysis; from memory).
 *
 * @throws PatternError where more are to be expected than anybody keeps
 * @param prior shape and rate of losses a loan: its mean is shape / rate, its weight that of `rate` loans
 */
export function sparesFor(options: {
  readonly lossesSeen: number;
  readonly loansSeen: number;
  readonly prior: { readonly shape: number; readonly rate: number };
  readonly loansAhead: number;
  readonly probability: number;
}): Spares {
  const { lossesSeen, loansSeen, prior, loansAhead, probability } = options;
  const shape = prior.shape + lossesSeen;
  const rate = prior.rate + loansSeen;
  const expected = (shape * loansAhead) / rate;
  if (loansAhead === 0) return { spares: 0, expected: 0 };
  if (expected > MOST / 4)
    throw new PatternError(
      'loansAhead',
      `about ${Math.round(expected).toLocaleString('en-GB')} losses are to be expected; expected at most ${(MOST / 4).toLocaleString('en-GB')}`,
    );
  // In logarithms: the chance of none may be too small for a number of its own.
  let chance = -shape * log1p(loansAhead / rate);
  const share = log(loansAhead) - log(rate + loansAhead);
  let sum = exp(chance);
  let spares = 0;
  while (sum < probability - 1e-12 && spares < MOST) {
    chance += log(shape + spares) - log(spares + 1) + share;
    spares++;
    sum += exp(chance);
  }
  return { spares, expected };
}
