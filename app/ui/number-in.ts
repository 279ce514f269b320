/** The number someone has typed, with a point or a comma; undefined while it is none. */
export function numberIn(text: string): number | undefined {
  const plain = text.trim().replace(",", ".").replace("−", "-");
  const number = Number(plain);
  return plain !== "" && Number.isFinite(number) ? number : undefined;
}
