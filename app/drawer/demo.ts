/** A drawing that ships with the application. */
export interface Demo {
  readonly file: string;
  readonly title: string;
  readonly about: string;
}

/** The one that the guided spot is made on. */
export const SHOW_ME_DEMO = "almanac-seedling.svg";

/** The coloured demos come first: they show what can be made here. */
export const DEMOS: readonly Demo[] = [
  {
    file: "almanac-boot-coloured.fern",
    title: "Boot with ferns, coloured",
    about: "A brush outline, with form, rim and shadow by one lamp",
  },
  {
    file: "almanac-cabbage.fern",
    title: "Cabbage in one colour",
    about: "The ladder of one colour, and creases along the ribs",
  },
  {
    file: "almanac-pumpkins-coloured.fern",
    title: "Pumpkins by the path, coloured",
    about: "Loose brush lines, coloured by a dab on each thing",
  },
  {
    file: "almanac-lantern-coloured.fern",
    title: "Lantern in the shed, coloured",
    about: "Night, lit by its own flame",
  },
  {
    file: "almanac-snail-coloured.fern",
    title: "Snail on a rain barrel, coloured",
    about: "A sticker with its rim of paper, signed, in two colourways",
  },
  {
    file: "almanac-shed.fern",
    title: "Shed at first light",
    about: "Flat shapes, without a line",
  },
  {
    file: "almanac-kettle-coloured.fern",
    title: "Kettle on the potting bench, coloured",
    about: "A pattern and bands, and a colourway for the evening",
  },
  {
    file: "almanac-radishes-hatched.fern",
    title: "Bunch of radishes, hatched",
    about: "Fine hatching over flat colour",
  },
  { file: "almanac-boot.svg", title: "Boot with ferns", about: "Two honest gaps to find and bridge" },
  {
    file: "almanac-kettle.svg",
    title: "Kettle on the potting bench",
    about: "Small pockets and overlapping things",
  },
  { file: "almanac-lantern.svg", title: "Lantern in the shed", about: "The big one, at dusk" },
  {
    file: "almanac-snail.svg",
    title: "Snail on a rain barrel",
    about: "Lines that run on past their crossings",
  },
  {
    file: "almanac-pumpkins.svg",
    title: "Pumpkins by the path",
    about: "Loose, as a quick brush leaves it: for a few dabs",
  },
  {
    file: SHOW_ME_DEMO,
    title: "Seedling in a pot",
    about: "Small and loose: Show me leads through it",
  },
  {
    file: "almanac-radishes.png",
    title: "Bunch of radishes",
    about: "A scan, with pencil and dust, to read as lines",
  },
  {
    file: "almanac-sprig.fern",
    title: "Sprig drawn with nibs",
    about: "Begun on a blank page: nibs to change, lines to bend",
  },
];

/** Where its picture lies beside it. */
export const pictureFile = (file: string): string => `pictures/${file.replace(/\.\w+$/, "")}.png`;
