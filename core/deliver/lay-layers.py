"""Lays the layers of an OpenRaster file (argument 1) on one another with cairo, and saves the picture as PNG (argument 2).

Read after the specification (openraster.org, baseline 0.0.6) alone, for tests: no code of the writer's is used. What each group
holds is printed from the top down.
"""

import io
import sys
import xml.etree.ElementTree as tree
import zipfile

import cairo

ora = zipfile.ZipFile(sys.argv[1])
assert ora.testzip() is None
first = ora.infolist()[0]
assert first.filename == "mimetype" and first.compress_type == zipfile.ZIP_STORED, first
assert ora.read("mimetype") == b"image/openraster"

image = tree.fromstring(ora.read("stack.xml"))
page = cairo.ImageSurface(cairo.FORMAT_ARGB32, int(image.get("w")), int(image.get("h")))
context = cairo.Context(page)


def operator_of(node):
    name = node.get("composite-op", "svg:src-over").removeprefix("svg:")
    return getattr(cairo, "OPERATOR_" + ("OVER" if name == "src-over" else name.replace("-", "_").upper()))


def lay(node):
    """A layer, or a group: by itself first where it is isolated, else each of its layers on what lies below."""
    if node.get("visibility", "visible") != "visible":
        return
    opacity = float(node.get("opacity", 1))
    x, y = int(node.get("x", 0)), int(node.get("y", 0))
    isolated = node.tag == "stack" and (
        node.get("isolation", "isolate") == "isolate" or opacity < 1 or operator_of(node) != cairo.OPERATOR_OVER
    )
    context.save()
    context.translate(x, y)
    if isolated:
        context.push_group()
    if node.tag == "stack":
        for inner in reversed(node):
            lay(inner)
    else:
        context.set_source_surface(cairo.ImageSurface.create_from_png(io.BytesIO(ora.read(node.get("src")))))
    if isolated:
        context.pop_group_to_source()
    if isolated or node.tag == "layer":
        context.set_operator(operator_of(node))
        context.paint_with_alpha(opacity)
    context.restore()


for group in image.find("stack"):
    print(group.tag, group.get("name"), ",".join(layer.get("name") for layer in group))
for group in reversed(image.find("stack")):
    lay(group)
page.write_to_png(sys.argv[2])
