"""The songbook."""

from __future__ import annotations

from typing import Annotated, Literal
from uuid import UUID

from fastapi import APIRouter, Query, Response, UploadFile

from kopje.api.deps import OurHouse, Work
from kopje.api.schemas.songs import ImportRead, SongRead, SongRow, ToldBody
from kopje.core.analysis.layers import Layer, letters, line
from kopje.core.music.degree import plain_do
from kopje.core.music.tune import Tune, transposed
from kopje.engraving.mei import Under, mei
from kopje.formats.limits import MAX_BYTES
from kopje.formats.write import MEDIA, write_tune
from kopje.store import songs
from kopje.usecases.bring_shipped_songs import bring_shipped_songs
from kopje.usecases.songbook import analysis_of, import_file, tell

router = APIRouter(tags=["songs"])
SVG = "image/svg+xml"


@router.get("/songs", operation_id="songs")
def get_songs(call: Work) -> list[SongRow]:
    return [SongRow.of(song) for song in songs.songs(call.session, call.school_id)]


@router.post("/songs", status_code=201, operation_id="importSongs")
def post_songs(files: list[UploadFile], call: Work) -> ImportRead:
    found = []
    for file in files[:200]:
        found += import_file(call, file.filename or "song", file.file.read(MAX_BYTES + 1))
    return ImportRead.of(found)


@router.post("/songs/shipped", status_code=201, operation_id="bringShippedSongs")
def post_shipped(call: Work, house: OurHouse) -> ImportRead:
    return ImportRead.of(bring_shipped_songs(call, house.settings.songs))


@router.get("/songs/{song_id}", operation_id="song")
def get_song(song_id: UUID, call: Work) -> SongRead:
    return SongRead.of(songs.song(call.session, call.school_id, song_id), call.sequence.wording)


@router.put("/songs/{song_id}/told", operation_id="tellSong")
def put_told(song_id: UUID, body: ToldBody, call: Work) -> SongRead:
    return SongRead.of(tell(call, song_id, body.model_dump()), call.sequence.wording)


@router.delete("/songs/{song_id}", status_code=204, operation_id="removeSong")
def delete_song(song_id: UUID, call: Work) -> None:
    songs.song(call.session, call.school_id, song_id)
    songs.remove(call.session, call.school_id, song_id)


@router.get("/songs/{song_id}/file", operation_id="songFile", response_class=Response)
def get_file(
    song_id: UUID, call: Work, kind: Annotated[Literal["musicxml", "abc", "mid"] | None, Query()] = None
) -> Response:
    """The file as it came, or written anew in another open format."""
    song = songs.song(call.session, call.school_id, song_id)
    title = "".join(c if c.isalnum() or c in "-_." else "-" for c in song.filename).rsplit(".", 1)
    name = f"{title[0]}.{kind or title[-1]}"
    data = write_tune(analysis_of(song).tune, name) if kind else song.source
    headers = {"Content-Disposition": f'attachment; filename="{name.encode("ascii", "replace").decode()}"'}
    media = MEDIA[f".{kind}"] if kind else "application/octet-stream"
    return Response(data, media_type=media, headers=headers)


@router.get("/songs/{song_id}/score", operation_id="score", response_class=Response)
def get_score(
    song_id: UUID,
    call: Work,
    house: OurHouse,
    width: Annotated[int, Query(ge=600, le=4000)] = 2000,
    do: Annotated[str | None, Query(max_length=3)] = None,
    lines: bool = True,
    wall: bool = False,
    layers: Annotated[list[Layer], Query(max_length=5)] = [],  # noqa: B006  # FastAPI wants the default here
    words: bool = True,
) -> Response:
    """The engraved song as SVG, on wish with another do; `lines` keeps one line of text on one line of music.

    `wall` has larger words; `layers` stand as lines of text between the staff and the words.
    """
    a = analysis_of(songs.song(call.session, call.school_id, song_id), call.sequence.wording.minor)
    tune = _in_key(a.tune, str(a.tonality.do) if a.tonality.do else None, do)
    texts = {layer: line(a, layer, call.sequence.wording) for layer in layers} | {"letters": letters(tune)}
    under = Under(tuple(texts[layer] for layer in layers), words)
    encoded = lines and any(bar.line_end for bar in tune.bars)
    svg = house.engraver.svg(mei(tune, under), width, encoded, wall)
    return Response(svg, media_type=SVG, headers={"Cache-Control": "private, max-age=600"})


def _in_key(tune: Tune, stored: str | None, wanted: str | None) -> Tune:
    """The nearest octave of the wanted do."""
    if stored is None or wanted is None or stored == wanted:
        return tune
    old, new = plain_do(stored).pitch, plain_do(wanted).pitch
    steps, semitones = new.step - old.step, new.midi - old.midi
    if semitones > 6:
        steps, semitones = steps - 7, semitones - 12
    elif semitones < -6:
        steps, semitones = steps + 7, semitones + 12
    return transposed(tune, steps, semitones)
