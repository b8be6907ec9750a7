/** The Bench's stages; a finding names the one where it is mended. */
export type Stage = 'measure' | 'land' | 'stack' | 'mark' | 'rise' | 'prove' | 'release';
