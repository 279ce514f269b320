/** The module that Node and bundlers read alike: the package names none for both. */
declare module "opentype.js/dist/opentype.mjs" {
  export * from "opentype.js";
}
