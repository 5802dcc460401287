"""Words at the edge: reasons and refusals become sentences, from the one catalogue (`locales/`) and the
school's own words."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from datetime import date
from functools import cached_property, lru_cache
from pathlib import Path
from typing import Any

from babel import Locale, UnknownLocaleError
from babel.dates import format_date
from fluent.runtime import FluentBundle, FluentResource

from kopje.core.errors import KopjeError
from kopje.core.reasons import Listed, Named, Param, Phased, Reason, Tone
from kopje.core.sequence.concepts import Sequence
from kopje.core.sequence.phases import MODELS
from kopje.core.sequence.so_mi_first import SO_MI_FIRST
from kopje.core.sequence.wording import TERMS, Dates

FOLDER = Path(__file__).resolve().parents[2] / "locales"
ENGLISH = "en"
SHORT: dict[Dates, str] = {"day_first": "d MMM", "month_first": "MMM d", "iso": "yyyy-MM-dd"}
LONG: dict[Dates, str] = {"day_first": "d MMMM y", "month_first": "MMMM d, y", "iso": "yyyy-MM-dd"}


def _capital(text: Any) -> Any:
    return str(text)[:1].upper() + str(text)[1:]


def _small(text: Any) -> Any:
    return str(text)[:1].lower() + str(text)[1:]


@dataclass(frozen=True)
class Catalogue:
    """Every sentence of one language: the Fluent files in `folder/language`, the same that the page reads."""

    folder: Path
    language: str
    dates: Dates = "day_first"

    @cached_property
    def files(self) -> tuple[Path, ...]:
        """None for a language that there is no folder for."""
        return tuple(sorted((self.folder / self.language).glob("*.ftl")))

    @cached_property
    def bundle(self) -> FluentBundle:
        try:
            locale = str(Locale.parse(self.language, sep="-"))
        except (UnknownLocaleError, ValueError):
            locale = ENGLISH  # dates are then said in English; the words are the language's own

        def dated(pattern: str) -> Callable[[Any], Any]:
            return lambda day: format_date(day, pattern, locale=locale)

        bundle = FluentBundle(
            [locale],
            use_isolating=False,
            functions={
                "CAP": _capital,
                "LOW": _small,
                "DAY": dated(SHORT[self.dates]),
                "DATE": dated(LONG[self.dates]),
                "WEEKDAY": dated("EEEE"),
            },
        )
        for file in self.files:
            bundle.add_resource(FluentResource(file.read_text("utf-8")))
        return bundle

    def text(self, code: str, params: Mapping[str, str | int | date] | None = None) -> str:
        """One message; a code without a message is shown as it is, which a test forbids for every code there
        is."""
        return self._said(code, tuple((params or {}).items()))

    @cached_property
    def _said(self) -> Callable[[str, tuple[tuple[str, str | int | date], ...]], str]:
        """A grid says the same few sentences over and over."""
        return lru_cache(maxsize=8192)(self._format)

    def _format(self, code: str, params: tuple[tuple[str, str | int | date], ...]) -> str:
        if not self.bundle.has_message(code):
            return code
        pattern = self.bundle.get_message(code).value
        values = {**self.terms, **dict(params)}
        return str(self.bundle.format_pattern(pattern, values)[0]) if pattern else code

    @cached_property
    def terms(self) -> dict[str, str]:
        """What children are told, as this language says it; sentences have it as `$word_…`."""
        found = {}
        for key in TERMS:
            message = (
                self.bundle.get_message(f"word_{key}") if self.bundle.has_message(f"word_{key}") else None
            )
            if message is not None and message.value:
                found[f"word_{key}"] = str(self.bundle.format_pattern(message.value)[0])
        return found


@lru_cache(maxsize=16)
def catalogue(language: str = ENGLISH, folder: Path = FOLDER, dates: Dates = "day_first") -> Catalogue:
    return Catalogue(folder, language, dates)


@dataclass(frozen=True)
class Words:
    """The catalogue in a school's words."""

    base: Catalogue
    sequence: Sequence = SO_MI_FIRST

    @cached_property
    def catalogue(self) -> Catalogue:
        """The one that writes dates as the school does."""
        return catalogue(self.base.language, self.base.folder, self.sequence.wording.dates)

    def say(self, reason: Reason) -> str:
        """The sentence of a reason, or the word of a term."""
        said = {name: self._plain(value) for name, value in reason.params}
        return self.catalogue.text(reason.code, {**self._terms, **said})

    @cached_property
    def _terms(self) -> dict[str, str]:
        """The school's own words for what children are told."""
        return {f"word_{key}": word for key, word in self.sequence.wording.terms.items()}

    def term(self, value: Param) -> str:
        """One parameter in words, as it stands inside a sentence."""
        return str(self._plain(value))

    def word(self, code: str, **params: Param) -> str:
        return self.say(Reason(code, params=tuple(params.items())))

    def refusal(self, error: KopjeError) -> str:
        return self.say(error.reason)

    def _plain(self, value: Param) -> str | int | date:
        if isinstance(value, Reason):
            return self.say(value)
        if isinstance(value, Tone):
            return self.sequence.wording.tone(value.degree)
        if isinstance(value, Named):
            concept = self.sequence.by_key.get(value.concept)
            return concept.name if concept else value.concept
        if isinstance(value, Phased):
            return self._phase(value)
        return self._joined(value) if isinstance(value, Listed) else value

    def _phase(self, phase: Phased) -> str:
        """“prepared”; where the school has a word of its own for the phase, “had in” that word."""
        wording = self.sequence.wording
        own, shipped = wording.phase_words.get(phase.key), MODELS.get(wording.model)
        usual = next((one.word for one in shipped.phases if one.key == phase.key), "") if shipped else ""
        if own and own != usual:
            return self.catalogue.text("phase_own", {"word": own})
        return self.catalogue.text("phase_past", {"key": phase.key, "purpose": phase.purpose})

    def _joined(self, listed: Listed) -> str:
        items = [self.term(item) for item in listed.items]
        if listed.most is not None and len(items) > listed.most + 1:
            more = self.catalogue.text("list_more", {"count": len(items) - listed.most})
            items = [*items[: listed.most], more]
        mark = {"semicolon": "; ", "space": " "}.get(listed.by, ", ")
        if listed.by != "and" or len(items) < 2:
            return mark.join(items)
        return self.catalogue.text("list_and", {"before": mark.join(items[:-1]), "last": items[-1]})


ENGLISH_CATALOGUE = catalogue()
ENGLISH_WORDS = Words(ENGLISH_CATALOGUE)
