"""A texture as JSON: `{"meter", "phrase_bars", "layers": [{"name", "family", "rhythm", "strokes"?,
"enters_bar"?}]}`. Source: docs/sources.md#layers."""

from __future__ import annotations

import json
from typing import Any, get_args

from pydantic import BaseModel, ConfigDict, Field, ValidationError

from kopje.core.errors import TextureError
from kopje.core.instruments.texture import Family, Layer, Stroke, Texture, read_loop, written
from kopje.core.music.meter import Meter

MOST_BARS = 64
MOST_VALUES = 256
STROKES: tuple[Stroke, ...] = get_args(Stroke)


class LayerFile(BaseModel):
    model_config = ConfigDict(extra="ignore")

    name: str = Field(min_length=1, max_length=80)
    family: Family
    rhythm: list[str] = Field(min_length=1, max_length=MOST_VALUES)
    strokes: list[Stroke] = Field(default=[], max_length=MOST_VALUES)
    enters_bar: int = Field(default=1, ge=1, le=999)


class TextureFile(BaseModel):
    model_config = ConfigDict(extra="ignore")

    meter: str
    phrase_bars: int = Field(ge=1, le=MOST_BARS)
    layers: list[LayerFile]

    def texture(self) -> Texture:
        """TextureError or MeterError for what cannot be one."""
        layers = (
            Layer(one.name, one.family, read_loop(one.rhythm, one.name), tuple(one.strokes), one.enters_bar)
            for one in self.layers
        )
        return Texture(Meter.parse(self.meter), self.phrase_bars, tuple(layers))


def read_texture(data: bytes) -> Texture:
    """TextureError where the bytes are no such JSON."""
    try:
        return TextureFile.model_validate_json(data).texture()
    except ValidationError as problem:
        first = problem.errors()[0]
        where = ".".join(map(str, first["loc"]))
        said = f"{where}: {first['msg']}" if where else first["msg"]
        raise TextureError("texture_unreadable", why=said, value=where) from problem


def write_texture(texture: Texture) -> bytes:
    """What `read_texture` gives back."""
    layers: list[dict[str, Any]] = [
        {
            "name": one.name,
            "family": one.family,
            "rhythm": written(one.loop),
            **({"strokes": list(one.strokes)} if one.strokes else {}),
            "enters_bar": one.enters,
        }
        for one in texture.layers
    ]
    found = {"meter": str(texture.meter), "phrase_bars": texture.phrase_bars, "layers": layers}
    return json.dumps(found, indent=1, ensure_ascii=False).encode()
