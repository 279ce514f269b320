"""Times GEOS itself, as compiled for this machine: the union of some lines, then polygonize.

Each line read from standard input is the line work [[[x, y], ...], ...] as JSON, or nothing to do the last one again. The
answer is one line [milliseconds, faces]. Geometries are made before the clock starts, so that nothing is timed but the
engine. Needs the package shapely.
"""
import json
import sys
import time

import shapely

lines = None
print("ready", flush=True)
for told in sys.stdin:
    if told.strip():
        lines = shapely.MultiLineString(json.loads(told))
    begun = time.perf_counter()
    faces = shapely.polygonize([shapely.unary_union(lines)])
    took = (time.perf_counter() - begun) * 1000
    print(json.dumps([took, shapely.get_num_geometries(faces).item()]), flush=True)
