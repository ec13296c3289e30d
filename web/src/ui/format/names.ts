/** Signs that are not seen and change how the rest of a name reads: marks of direction, and signs of control. */
const UNSEEN = /[\u0000-\u001f\u007f-\u009f\u061c\u200e\u200f\u202a-\u202e\u2066-\u2069]/g

/**
 * A name as found, such that it reads as it is: what would turn its order round, or end a line, is written out. A
 * `photo[U+202E]gpj.exe` does not pose as a picture.
 */
export function asFound(name: string): string {
  return name.replace(UNSEEN, (sign) => `[U+${sign.charCodeAt(0).toString(16).toUpperCase().padStart(4, '0')}]`)
}
