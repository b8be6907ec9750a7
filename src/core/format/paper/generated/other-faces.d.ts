/** The faces of other scripts, by script, base64. */
export const faces: Readonly<Record<string, string>>;
