/** A name that nothing else has: with a number after it where it is taken. */
export function freeName(isTaken: (name: string) => boolean, name: string, joint = " "): string {
  let free = name;
  for (let n = 2; isTaken(free); n++) free = `${name}${joint}${n}`;
  return free;
}
