/** The keys of the desk, as listed on the sheet. */
export const KEYS: readonly { keys: string; does: string }[] = [
  { keys: "1 … 5", does: "Go to a stage" },
  { keys: "Q W E R T", does: "Tools of the tray, left to right" },
  { keys: "hold D", does: "Dip up the colour under the pointer" },
  { keys: "hold Space", does: "Drag the paper" },
  { keys: "Ctrl Z", does: "Undo" },
  { keys: "Ctrl Shift Z", does: "Redo" },
  { keys: "+ and −", does: "Zoom" },
  { keys: "0", does: "Show the whole page" },
  { keys: "arrows", does: "Walk the pockets" },
  { keys: "Enter", does: "Pour into the walked pocket, or bridge the chosen opening" },
  { keys: "Backspace", does: "Empty it, leave the opening open, or remove the chosen shade" },
  { keys: "N", does: "Next snag of this stage" },
  { keys: ", and .", does: "Previous or next colour" },
  { keys: "G", does: "Check ground" },
  { keys: "Esc", does: "Let go" },
  { keys: "?", does: "This sheet" },
];
