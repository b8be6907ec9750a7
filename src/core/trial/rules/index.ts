import type { TrialRule } from '../rule';
import { copperBetween, holeToCopper, holeToHole, maskBetween, pasteBetween } from './between';
import { courtyards } from './courtyards';
import { bodyOverEdge, copperToEdge, holeToEdge, legendOverEdge, reachesEdge, textOverEdge } from './edges';
import { leadsBelow, underCover } from './heights';
import { boardKeepOuts, otherKeepOuts } from './kept-out';
import { marksBetween } from './marks';
import { ownReferences, sameProcess } from './names';
import { readableTexts } from './texts';
import { voltageBetween } from './voltage';

/** All rules of a trial. To add one, write it and list it here. */
export const TRIAL_RULES: readonly TrialRule[] = [
  leadsBelow,
  courtyards,
  copperBetween,
  holeToCopper,
  holeToHole,
  voltageBetween,
  maskBetween,
  pasteBetween,
  marksBetween,
  readableTexts,
  copperToEdge,
  holeToEdge,
  legendOverEdge,
  textOverEdge,
  bodyOverEdge,
  reachesEdge,
  otherKeepOuts,
  boardKeepOuts,
  underCover,
  ownReferences,
  sameProcess,
];
