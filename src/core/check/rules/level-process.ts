/**
 * Requires a density level that the process can solder.
 */
import { levelWords } from '../../standard/standard';
import { fill, idsOf, type Rule } from '../rule';

const message = 'Level {level} is not for {process}: it solders lands of {levels}.';

export const levelProcess: Rule = {
  id: 'level-process',
  title: 'Density level against the process',
  fault: 'Density level does not suit the process',
  source: 'Process: density levels; IPC-7351B, clause 1.4',
  severity: 'caution',
  stage: 'land',
  looksAt: ['lands'],
  check({ process, footprint, compiled: { document, standard } }) {
    const { level } = document;
    // a level of the house's own is as dense as the published one that it comes from
    const { from } = levelWords(standard, level);
    if (process.levels.includes(from)) return [];
    const levels = process.levels.map((l) => `level ${l}`).join(' and ');
    return [
      {
        message: fill(message, { level, process: process.name, levels }),
        measured: { value: 0, limit: 1, unit: 'count' },
        place: { lands: idsOf(footprint.lands.slice(0, 1)) },
        remedies: process.levels.map((l) => ({ label: `Level ${l}`, edits: [{ at: '/level', value: l }] })),
      },
    ];
  },
};
