import type { SourceReading } from './reading';

/** What is to be looked at in what was read of a datasheet, a line each. */
export function doubtWords(reading: SourceReading): string[] {
  return [
    ...reading.doubts.map((doubt) => `doubtful: ${doubt}`),
    ...reading.dimensions.flatMap(
      ({ symbol, text, label, printed, standing, doubts, alternatives, reasons, isBroken }) =>
        standing === 'doubtful'
          ? [
              `${isBroken ? 'not taken' : 'doubtful'}: ${symbol} ${text} (${[label, `“${printed}”`].filter((word) => word !== '').join(' ')}): ${[
                ...doubts,
                ...(doubts.length === 0 ? reasons : []),
              ].join(
                ' ',
              )}${alternatives.length > 0 ? ` Else ${alternatives.map((one) => one.text).join(' or ')}.` : ''}`,
            ]
          : [],
    ),
    ...(reading.missing.length > 0 ? [`missing: ${reading.missing.join(', ')}`] : []),
    ...reading.leftOut.map(
      ({ label, called, printed, why }) =>
        `left out: ${[label, called, printed].filter((word) => word !== '').join(' ')}: ${why}`,
    ),
  ];
}
