"""Times GEOS itself, as compiled for this machine, on line work given as JSON: the union of the lines, then polygonize.

Reads {name: [[[x, y], ...], ...]} from standard input and writes {name: {"ms": [...], "faces": n}}. Geometries are made before
the clock starts, so that nothing is counted but the engine. Needs the package shapely.
"""
import json
import sys
import time

import shapely

ROUNDS = 7


def measured(strokes):
    lines = shapely.MultiLineString(strokes)
    times = []
    for _ in range(ROUNDS):
        begun = time.perf_counter()
        noded = shapely.unary_union(lines)
        faces = shapely.polygonize([noded])
        times.append((time.perf_counter() - begun) * 1000)
    return {"ms": times, "faces": shapely.get_num_geometries(faces).item()}


json.dump({name: measured(strokes) for name, strokes in json.load(sys.stdin).items()}, sys.stdout)
