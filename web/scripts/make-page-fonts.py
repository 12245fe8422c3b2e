"""Makes the fonts that PDF files embed: true type files are wanted there, which @fontsource and the engraver do not ship.

zapateo-page-400.ttf, -600.ttf: Literata (latin and latin-ext) with the accidentals of zapateo-accidentals.woff2 in one file.
zapateo-engraving.ttf: the engraver's text glyphs (Leipzig), taken from a page it engraves.
All three are under the SIL Open Font License, under names of their own as it asks; their licences are in public/licences.

Run once with Debian's python3-fonttools and python3-brotli: python3 scripts/make-page-fonts.py [leipzig.woff2]
"""

import sys
from pathlib import Path

from fontTools.merge import Merger
from fontTools.ttLib import TTFont
from fontTools.ttLib.scaleUpem import scale_upem
from fontTools.pens.cu2quPen import Cu2QuPen
from fontTools.pens.ttGlyphPen import TTGlyphPen
from fontTools.ttLib import newTable

WEB = Path(__file__).resolve().parent.parent
FILES = WEB / "node_modules/@fontsource/literata/files"
FONTS = WEB / "src/assets/fonts"
UPEM = 1000


def true_type(font):
    """Quadratic outlines, which every reader of PDF knows."""
    if "glyf" in font:
        return font
    glyphs = font.getGlyphSet()
    order = font.getGlyphOrder()
    made = {}
    for name in order:
        pen = TTGlyphPen(glyphs)
        glyphs[name].draw(Cu2QuPen(pen, 1.0, reverse_direction=True))
        made[name] = pen.glyph()
    font["loca"] = newTable("loca")
    glyf = font["glyf"] = newTable("glyf")
    glyf.glyphOrder, glyf.glyphs = order, made
    for name in list(font.keys()):
        if name in ("CFF ", "VORG"):
            del font[name]
    font["maxp"].tableVersion = 0x00010000
    maxp = font["maxp"]
    for field in ("maxZones", "maxTwilightPoints", "maxStorage", "maxFunctionDefs", "maxInstructionDefs", "maxStackElements", "maxSizeOfInstructions", "maxComponentElements"):
        setattr(maxp, field, 1 if field == "maxZones" else 0)
    font["head"].glyphDataFormat = 0
    font.sfntVersion = "\000\001\000\000"
    return font


def plain(path):
    font = true_type(TTFont(path))
    font.flavor = None
    for name in ("GSUB", "GPOS", "GDEF", "STAT", "DSIG", "fpgm", "prep", "cvt ", "gasp", "meta", "kern", "FFTM", "vmtx", "vhea", "VORG", "BASE"):
        if name in font:
            del font[name]
    for glyph in font["glyf"].glyphs.values():
        glyph.expand(font["glyf"])
        if hasattr(glyph, "program"):
            glyph.removeHinting()
    scale_upem(font, UPEM)
    return font


def named(font, family):
    for record in list(font["name"].names):
        if record.nameID in (1, 3, 4, 6, 16):
            font["name"].setName(family.replace(" ", "") if record.nameID == 6 else family, record.nameID, record.platformID, record.platEncID, record.langID)
    return font


def page(weight):
    parts = []
    for at, path in enumerate([FILES / f"literata-latin-{weight}-normal.woff2", FILES / f"literata-latin-ext-{weight}-normal.woff2", FONTS / "zapateo-accidentals.woff2"]):
        part = Path(f"/tmp/page-font-{weight}-{at}.ttf")
        plain(path).save(part)
        parts.append(str(part))
    named(Merger().merge(parts), "Zapateo Page").save(FONTS / f"zapateo-page-{weight}.ttf")


page(400)
page(600)
if len(sys.argv) > 1:
    named(plain(sys.argv[1]), "Zapateo Engraving").save(FONTS / "zapateo-engraving.ttf")
