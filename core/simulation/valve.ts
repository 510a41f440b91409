/** A regulating valve that follows a rate: what it does after the speed was stepped up. */

/** `gain`: share of the error it corrects each second for each unit of its constant; `lag`: how late the meter tells, s. */
export type TrueValve = { gain: number; lag: number };

export type Followed = {
  /** s */
  step: number;
  /** what falls ÷ what is wanted, from the moment the speed went up */
  share: readonly number[];
};

/** s */
export const FOLLOWED_EVERY = 0.05;
const LONG = 20;
/** The speed goes up by a quarter: the rate falls to four fifths at once. */
const AFTER = 0.8;

/** Follows it for twenty seconds: each moment the valve moves by its constant × gain × the error the meter told a lag ago. */
export function followed({ gain, lag }: TrueValve, constant: number): Followed {
  const late = Math.round(lag / FOLLOWED_EVERY);
  const share: number[] = [AFTER];
  for (let at = 1; at < LONG / FOLLOWED_EVERY; at += 1) {
    const told = share[Math.max(0, at - 1 - late)]!;
    share.push(Math.max(0, share[at - 1]! + constant * gain * (1 - told) * FOLLOWED_EVERY));
  }
  return { step: FOLLOWED_EVERY, share };
}

/** Within this of the rate it is there (common practice, no source). */
const NEAR = 0.03;
/** There within so many seconds it is fast enough (common practice, no source). */
const FAST = 3;

/** It hunts where it swings over by more than is near; it is slow where it is not there in time. */
export function judgeFollowing({ step, share }: Followed): "slow" | "rests" | "hunts" {
  if (Math.max(...share) > 1 + NEAR) return "hunts";
  const there = share.findIndex((each) => Math.abs(each - 1) <= NEAR);
  return there < 0 || there * step > FAST ? "slow" : "rests";
}
