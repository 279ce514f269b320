/** A drawing that ships with the application. */
export interface Demo {
  readonly file: string;
  readonly title: string;
  readonly about: string;
}
