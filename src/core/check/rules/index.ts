import type { Rule } from '../rule';
import { keptMeasurement } from './kept-measurement';
import { voltagePlanes } from './voltage-planes';
import { voltageSpacing } from './voltage-spacing';
import { annularRing } from './annular-ring';
import { assumptions } from './assumptions';
import { bodyClearance } from './body-clearance';
import { bodyHeight } from './body-height';
import { pegFit } from './peg-fit';
import { placeDrift } from './place-drift';
import { edgeOverhang } from './edge-overhang';
import { leadProtrusion } from './lead-protrusion';
import { modelAtHand } from './model-at-hand';
import { modelContact, modelExtra, modelMirrored, modelPinCount, modelUnseen } from './model-contacts';
import { modelLean } from './model-lean';
import { modelCoplanar, modelFloating } from './model-levels';
import { modelPinInHole } from './model-pin-in-hole';
import { modelCourtyard, modelHeight, modelSpan } from './model-size';
import { modelUnderside } from './model-underside';
import { centreGrid, originCentre } from './centres';
import { copperWidth } from './copper-width';
import { courtyard } from './courtyard';
import { drillTable } from './drill-table';
import { holeAspect } from './hole-aspect';
import { holeFit } from './hole-fit';
import { holeToLand } from './hole-to-land';
import { holeWeb } from './hole-web';
import { jointGoal } from './joint-goal';
import { jointMargin } from './joint-margin';
import { keepOut } from './keep-out';
import { landGap } from './land-gap';
import { ballLand, padLand, patternFar } from './land-size';
import { landNarrow } from './land-narrow';
import { landToPad } from './land-to-pad';
import { landUnderBody } from './land-under-body';
import { landWithoutPin } from './land-without-pin';
import { legendHidden, legendThin, textOverLand, textSize } from './legend-lines';
import { legendOverLand } from './legend-over-land';
import { levelProcess } from './level-process';
import { maskMargin } from './mask-margin';
import { maskOverHole } from './mask-over-hole';
import { maskWeb } from './mask-web';
import { nameGeometry } from './name-geometry';
import { numberOrder } from './number-order';
import { numberSequence } from './number-sequence';
import { numberWay } from './number-way';
import { heightBody, spanTolerance, standoffBall, standoffHeight, terminalsInSpan } from './package-sizes';
import { maskClosed, pasteBeyond, pasteLarge, pasteMissing } from './openings';
import { pasteArea } from './paste-area';
import { pasteBead } from './paste-bead';
import { pasteBridge } from './paste-bridge';
import { pin1Mark } from './pin-1-mark';
import { pinGrounds } from './pin-grounds';
import { pinLands } from './pin-lands';
import { pinNames } from './pin-names';
import { planeClearance, reliefSpokes } from './planes';
import { asymmetry, landOffTerminal, pitch, pitchDrift } from './positions';
import { terminalGap } from './terminal-gap';
import { thermalCoverage } from './thermal-coverage';
import { unconfirmed } from './unconfirmed';
import { unplatedLead } from './unplated-lead';
import { pasteOverVia, viaCount, viaInLand } from './via-in-land';

/** All rules that hold for every family. To add one, write its file and list it here. */
export const RULES: readonly Rule[] = [
  // copper
  landGap,
  landToPad,
  landUnderBody,
  copperWidth,
  landNarrow,
  ballLand,
  padLand,
  patternFar,
  // the drawing's positions
  landOffTerminal,
  pitch,
  pitchDrift,
  asymmetry,
  centreGrid,
  // joints
  jointMargin,
  jointGoal,
  levelProcess,
  voltageSpacing,
  voltagePlanes,
  // holes
  holeFit,
  annularRing,
  holeWeb,
  holeToLand,
  holeAspect,
  drillTable,
  unplatedLead,
  reliefSpokes,
  planeClearance,
  viaInLand,
  viaCount,
  // openings
  maskClosed,
  maskWeb,
  maskMargin,
  maskOverHole,
  pasteMissing,
  pasteBeyond,
  pasteLarge,
  pasteArea,
  pasteBridge,
  pasteBead,
  thermalCoverage,
  pasteOverVia,
  // marks
  legendOverLand,
  legendThin,
  legendHidden,
  textSize,
  textOverLand,
  pin1Mark,
  courtyard,
  keepOut,
  originCentre,
  // body
  bodyHeight,
  bodyClearance,
  leadProtrusion,
  terminalGap,
  edgeOverhang,
  // chains of dimensions
  pegFit,
  placeDrift,
  // an imported model
  modelContact,
  modelPinInHole,
  modelPinCount,
  modelMirrored,
  modelExtra,
  modelUnseen,
  modelLean,
  modelFloating,
  modelCoplanar,
  modelUnderside,
  modelHeight,
  modelSpan,
  modelCourtyard,
  modelAtHand,
  // numbers and names
  numberSequence,
  numberOrder,
  numberWay,
  pinLands,
  landWithoutPin,
  pinNames,
  pinGrounds,
  nameGeometry,
  // the datasheet
  spanTolerance,
  terminalsInSpan,
  standoffHeight,
  standoffBall,
  heightBody,
  assumptions,
  unconfirmed,
  keptMeasurement,
];
