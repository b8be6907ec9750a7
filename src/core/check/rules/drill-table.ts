/**
 * Requires holes that the process has a drill for.
 */
import { narrowOf } from '../../geometry/figure';
import { drillFor, hasDrill } from '../../process/process';
import { fill, idsOf, mm, type Rule, type RuleFinding } from '../rule';

const messages = {
  land: 'There is no drill for the hole of {hole} mm in padstack {stack}; the next is {next} mm.',
  via: 'There is no drill for the vias of {hole} mm in padstack {stack}; the next is {next} mm.',
  bore: 'There is no drill for the hole of {hole} mm without copper; the next is {next} mm.',
};

export const drillTable: Rule = {
  id: 'drill-table',
  title: 'Drill not in the table',
  fault: 'Drill is not in the table',
  source: 'Process: drills, or drill step',
  severity: 'note',
  stage: 'stack',
  looksAt: ['holes'],
  check({ footprint, process }) {
    const say = (message: string, hole: number, stack: string, lands: readonly string[]): RuleFinding => {
      const next = drillFor(hole, process);
      return {
        message: fill(message, { hole: mm(hole), stack, next: mm(next) }),
        measured: { value: hole, limit: next, unit: 'mm' },
        place: { lands },
      };
    };
    const ofStacks = footprint.padstacks.flatMap((stack): RuleFinding[] => {
      const { name, hole, vias } = stack;
      const lands = idsOf(footprint.lands.filter(({ padstack }) => padstack === stack));
      const drill = hole && narrowOf(hole.figure);
      const [via] = vias;
      return [
        ...(drill !== null && !hasDrill(drill, process) ? [say(messages.land, drill, name, lands)] : []),
        ...(via && !hasDrill(via.hole, process) ? [say(messages.via, via.hole, name, lands)] : []),
      ];
    });
    // what is cut out is milled, not drilled
    const drilled = footprint.bores.filter(
      ({ hole: { figure } }) => figure.kind === 'round' || figure.kind === 'oblong',
    );
    const bores = new Set(drilled.map(({ diameter }) => diameter));
    return [
      ...ofStacks,
      ...[...bores]
        .filter((bore) => !hasDrill(bore, process))
        .map((bore) => say(messages.bore, bore, '', [])),
    ];
  },
};
