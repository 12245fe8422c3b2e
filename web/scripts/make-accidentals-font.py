#!/usr/bin/python3
"""Makes src/assets/fonts/zapateo-accidentals.woff2: the five accidentals of chord symbols, taken from Bravura Text (SIL Open
Font License 1.1) under another name, as its licence asks. Run by hand with Debian's python3-fonttools and python3-brotli:
/usr/bin/python3 scripts/make-accidentals-font.py
"""
from fontTools.subset import Options, Subsetter
from fontTools.ttLib import TTFont

# Unicode sign -> the SMuFL accidental for chord symbols
SIGNS = {0x266D: 0xED60, 0x266E: 0xED61, 0x266F: 0xED62, 0x1D12A: 0xED63, 0x1D12B: 0xED64}

font = TTFont("node_modules/@vexflow-fonts/bravuratext/bravuratext.otf")
glyphs = font.getBestCmap()
wanted = {sign: glyphs[smufl] for sign, smufl in SIGNS.items()}
options = Options()
options.layout_features = []
options.name_IDs = []
options.notdef_outline = True
options.desubroutinize = True
subsetter = Subsetter(options)
subsetter.populate(unicodes=list(SIGNS.values()))
subsetter.subset(font)
for table in font["cmap"].tables:
    table.cmap = {sign: glyph for sign, glyph in wanted.items() if sign < 0x10000 or table.format == 12}
if not any(table.format == 12 for table in font["cmap"].tables):
    from fontTools.ttLib.tables._c_m_a_p import CmapSubtable
    full = CmapSubtable.newSubtable(12)
    full.platformID, full.platEncID, full.language, full.cmap = 3, 10, 0, dict(wanted)
    font["cmap"].tables.append(full)
font["name"].names = []
for identifier, text in {0: "Derived from Bravura Text, Copyright Steinberg Media Technologies GmbH", 1: "Zapateo Accidentals", 2: "Regular",
                         4: "Zapateo Accidentals", 6: "ZapateoAccidentals", 13: "SIL Open Font License, Version 1.1"}.items():
    font["name"].setName(text, identifier, 3, 1, 0x409)
if "CFF " in font:
    cff = font["CFF "].cff
    cff.fontNames[0] = "ZapateoAccidentals"
    top = cff.topDictIndex[0]
    top.FullName = top.FamilyName = "Zapateo Accidentals"
for table in ("GSUB", "GPOS", "GDEF", "DSIG"):
    if table in font:
        del font[table]
font.flavor = "woff2"
font.save("src/assets/fonts/zapateo-accidentals.woff2")
