import type { CSSProperties } from 'react';

const PATTERNS = ['hatch-mask', 'hatch-laminate', 'hatch-keep-out', 'dots-paste'];

/** Makes a drawing beside the Sheet use patterns of its own, as its scale is another. */
export function ownPatterns(prefix: string): CSSProperties {
  return Object.fromEntries(PATTERNS.map((name) => [`--${name}`, `url('#${prefix}${name}')`]));
}

/**
 * Fill patterns of the materials, in screen pixels whatever the scale of the drawing.
 * @param prefix of their names, where several drawings stand on one page
 */
export function Hatches({ scale, prefix = '' }: { scale: number; prefix?: string }) {
  const fixed = `scale(${1 / scale})`;
  return (
    <defs>
      <pattern
        id={`${prefix}hatch-mask`}
        width="5"
        height="5"
        patternUnits="userSpaceOnUse"
        patternTransform={`${fixed} rotate(45)`}
      >
        <line x1="0" y1="0" x2="0" y2="5" stroke="var(--mask)" strokeWidth="2" />
      </pattern>
      <pattern
        id={`${prefix}hatch-laminate`}
        width="9"
        height="9"
        patternUnits="userSpaceOnUse"
        patternTransform={`${fixed} rotate(45)`}
      >
        <rect width="9" height="9" fill="var(--laminate)" />
        <line x1="0" y1="0" x2="0" y2="9" stroke="var(--laminate-line)" strokeWidth="1.5" />
      </pattern>
      <pattern
        id={`${prefix}hatch-keep-out`}
        width="9"
        height="9"
        patternUnits="userSpaceOnUse"
        patternTransform={`${fixed} rotate(45)`}
      >
        <path d="M0 0V9M0 0H9" stroke="var(--keep-out)" strokeWidth="0.8" />
      </pattern>
      <pattern
        id={`${prefix}dots-paste`}
        width="6"
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform={fixed}
      >
        <circle cx="1.5" cy="1.5" r="0.9" fill="var(--paste-dot)" />
        <circle cx="4.5" cy="4.5" r="0.9" fill="var(--paste-dot)" />
      </pattern>
    </defs>
  );
}
