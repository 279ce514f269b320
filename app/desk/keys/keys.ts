/** The keys of the desk: each can be given another, and all stand on one sheet. */

export interface KeyEntry {
  /** Unlike that of any other; keys of one's own are kept by it. */
  readonly name: string;
  /** The usual combination, by which the desk and its tools know it (combo.ts). */
  readonly combo: string;
  readonly does: string;
  /** Where alone it counts. */
  readonly where?: string;
  /** It lasts as long as the key is held. */
  readonly held?: true;
  /** Other words that Find knows it by. */
  readonly also?: string;
}

const stages = ["Lines", "Gaps", "Flats", "Light", "Deliver"].map(
  (stage, i): KeyEntry => ({ name: `stage-${i + 1}`, combo: String(i + 1), does: `Go to ${stage}` }),
);

const PLACES = ["First", "Second", "Third", "Fourth", "Fifth", "Sixth", "Seventh", "Eighth", "Ninth"];
const tools = [..."QWERTYUOP"].map(
  (combo, i): KeyEntry => ({ name: `tool-${i + 1}`, combo, does: `${PLACES[i]} tool of the tray` }),
);

export const KEYS: readonly KeyEntry[] = [
  { name: "find", combo: "Ctrl+K", does: "Find anything", also: "search command" },
  ...stages,
  ...tools,
  { name: "undo", combo: "Ctrl+Z", does: "Undo", also: "back revert" },
  { name: "redo", combo: "Ctrl+Shift+Z", does: "Redo", also: "forward again" },
  { name: "next-panel", combo: "F6", does: "Step from paper to rail, tin, press and tray" },
  { name: "panel-before", combo: "Shift+F6", does: "Step the other way" },
  { name: "zoom-in", combo: "+", does: "Zoom in", also: "closer larger magnify" },
  { name: "zoom-out", combo: "-", does: "Zoom out", also: "farther smaller" },
  { name: "show-page", combo: "0", does: "Show the whole page", also: "fit reset zoom" },
  { name: "show-drawn", combo: "9", does: "Show all that is drawn", also: "fit drawing" },
  { name: "show-chosen", combo: "8", does: "Show what is chosen", also: "fit selection" },
  { name: "turn-right", combo: ">", does: "Turn the paper to the right", also: "rotate canvas" },
  { name: "turn-left", combo: "<", does: "Turn the paper to the left", also: "rotate canvas" },
  { name: "straight", combo: "/", does: "Set the paper straight", also: "rotate reset upright" },
  { name: "dip", combo: "D", does: "Dip up the colour under the pointer", held: true },
  { name: "dip-seen", combo: "Shift+D", does: "Dip it up as it is seen, through all light", held: true },
  { name: "flats-alone", combo: "F", does: "See the flats without shade and light", held: true },
  { name: "without-light", combo: "Shift+F", does: "See it without light, with shade", held: true },
  { name: "drag-paper", combo: "Space", does: "Drag the paper", held: true },
  { name: "next-snag", combo: "N", does: "Next snag of this stage", also: "problem warning check" },
  { name: "snag-before", combo: "Shift+N", does: "Snag before" },
  { name: "next-colour", combo: ".", does: "Next colour of the tin" },
  { name: "colour-before", combo: ",", does: "Colour before" },
  { name: "next-way", combo: "C", does: "Next colourway", also: "palette variant" },
  { name: "way-before", combo: "Shift+C", does: "Colourway before" },
  { name: "check-ground", combo: "G", does: "Check ground", also: "magenta background missed white" },
  { name: "choose-all", combo: "Ctrl+A", does: "Choose all that the tool works on", also: "select" },
  {
    name: "copy-aside",
    combo: "Ctrl+D",
    does: "Copy the chosen lines a little aside",
    also: "duplicate clone",
  },
  { name: "part-forward", combo: "PageUp", does: "Bring the part at work forward", also: "order raise" },
  { name: "part-back", combo: "PageDown", does: "Send the part at work back", also: "order lower" },
  { name: "key-pointer", combo: "K", does: "Bring out the pointer that keys move, or put it away" },
  { name: "key-place", combo: "J", does: "That pointer to the next place the tool works on" },
  { name: "help", combo: "F1", does: "Help about the tool in hand", also: "manual guide" },
  { name: "sheet", combo: "?", does: "The sheet of keys", also: "shortcuts hotkeys help" },
  { name: "next-line", combo: "]", does: "Choose the next line", where: "Lines" },
  { name: "line-before", combo: "[", does: "Choose the line before", where: "Lines" },
  { name: "next-point", combo: "}", does: "Hold the next point, to bend it", where: "Lines" },
  { name: "point-before", combo: "{", does: "Hold the point before", where: "Lines" },
  { name: "add-point", combo: "A", does: "Add a point after the held one", where: "Lines" },
  { name: "gather-bare", combo: "B", does: "Gather all bare pockets", where: "Gathering" },
  { name: "turn-round", combo: "I", does: "Gather all but those gathered", where: "Gathering" },
  { name: "next-gathered", combo: "]", does: "Walk to the next gathered pocket", where: "Gathering" },
  { name: "gathered-before", combo: "[", does: "Walk to the gathered pocket before", where: "Gathering" },
  { name: "take-region", combo: "L", does: "Take the region under the pointer alone", where: "Dabs" },
];

/** Those that keep their meaning, since every program gives them the same. */
export const FIXED: readonly { readonly keys: string; readonly does: string }[] = [
  { keys: "arrows", does: "Walk the pockets; move what is chosen, a held point, a peg or the pointer" },
  { keys: "Shift arrows, Alt arrows", does: "The same, farther or finer" },
  {
    keys: "Enter",
    does: "Use the tool: pour, bridge, tidy, trim, drive a peg, take dabs, press the pointer",
  },
  { keys: "Backspace", does: "Empty, leave open, or remove what is chosen" },
  { keys: "Ctrl C, Ctrl X, Ctrl V", does: "Copy, cut or paste the chosen lines; SVG is pasted too" },
  { keys: "Shift while drawing", does: "A straight line; while dabbing, to be obeyed in whole" },
  { keys: "Alt while dabbing", does: "Keep bare" },
  { keys: "Escape", does: "Give up the gesture, or choose nothing" },
];
