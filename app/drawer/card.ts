/** What the drawer shows of a drawing. */
export interface Card {
  readonly id: string;
  readonly name: string;
  readonly changedAt: number;
  readonly thumbnail: string;
  readonly strokes: number;
}
