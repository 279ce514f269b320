/** A picture all dots, grain or grid: reading it would take minutes, and nothing could be done with what comes of it. */
export class TooFine extends Error {
  constructor(most: number) {
    super(
      `There are more than ${most.toLocaleString("en-GB")} lines in this picture: it may be all dots, grain or grid. Larger specks, another threshold or a smaller part of it leave fewer.`,
    );
    this.name = "TooFine";
  }
}
