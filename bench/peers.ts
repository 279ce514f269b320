/** Other engines at the same work: union of the lines, then polygonize. Each gives the number of faces. */
import initGeos from "geos-wasm";
import Coordinate from "jsts/org/locationtech/jts/geom/Coordinate.js";
import GeometryFactory from "jsts/org/locationtech/jts/geom/GeometryFactory.js";
import Polygonizer from "jsts/org/locationtech/jts/operation/polygonize/Polygonizer.js";
import UnaryUnionOp from "jsts/org/locationtech/jts/operation/union/UnaryUnionOp.js";
import type { Polyline } from "./line-work.ts";

export function jstsFaces(strokes: readonly Polyline[]): number {
  const factory = new GeometryFactory();
  const lines = strokes.map((points) =>
    factory.createLineString(points.map(([x, y]) => new Coordinate(x, y))),
  );
  const polygonizer = new Polygonizer();
  polygonizer.add(UnaryUnionOp.union(factory.createMultiLineString(lines)));
  return polygonizer.getPolygons().size();
}

const MULTI_LINE = 5;

/** A function that counts faces with GEOS compiled to WebAssembly. */
export async function geosEngine(): Promise<(strokes: readonly Polyline[]) => number> {
  const geos = await initGeos();
  const lineOf = (points: Polyline) => {
    const buffer = geos.Module._malloc(points.length * 16);
    new Float64Array(geos.Module.HEAPU8.buffer, buffer, points.length * 2).set(points.flat());
    const line = geos.GEOSGeom_createLineString(
      geos.GEOSCoordSeq_copyFromBuffer(buffer, points.length, 0, 0),
    );
    geos.Module._free(buffer);
    return line;
  };
  const pointersTo = (items: number[]) => {
    const buffer = geos.Module._malloc(items.length * 4);
    new Uint32Array(geos.Module.HEAPU8.buffer, buffer, items.length).set(items);
    return buffer;
  };
  return (strokes) => {
    const array = pointersTo(strokes.map(lineOf));
    const lines = geos.GEOSGeom_createCollection(MULTI_LINE, array, strokes.length);
    const noded = geos.GEOSUnaryUnion(lines);
    const one = pointersTo([noded]);
    const faces = geos.GEOSPolygonize(one, 1);
    const count = geos.GEOSGetNumGeometries(faces);
    for (const geometry of [lines, noded, faces]) geos.GEOSGeom_destroy(geometry);
    for (const pointer of [array, one]) geos.Module._free(pointer);
    return count;
  };
}
