"""Print the licence notices of everything that goes to a user: Python packages, page packages, fonts."""

from __future__ import annotations

import json
import re
from importlib.metadata import Distribution, distribution
from pathlib import Path

ROOT = Path(__file__).resolve().parents[1]
RULE = "-" * 100


def main() -> None:
    print("Kopje is licensed under Apache-2.0. It ships with, and thanks, the works below.\n")
    for name in locked(ROOT / "requirements" / "app.txt"):
        try:
            python_notice(distribution(name))
        except ModuleNotFoundError:
            continue  # a package for another system
    for path in page_packages():
        page_notice(path)
    sounds = ROOT / "web" / "public" / "sounds" / "LICENSE.md"
    stress = ROOT / "src" / "kopje" / "formats" / "stress.LICENSE"
    write("Stress of words, cut from cmu-pronouncing-dictionary by scripts/stress.py", "ISC", [stress])
    write("Sampled tones, made from FluidR3Mono_GM by web/scripts/bank.mjs", "MIT", [sounds])


def locked(lock: Path) -> list[str]:
    return re.findall(r"^([a-z0-9._-]+)==", lock.read_text(), re.MULTILINE)


def python_notice(found: Distribution) -> None:
    said = found.metadata
    licence = said.get("License-Expression") or said.get("License") or classified(found)
    texts = [f for f in found.files or () if re.search(r"(licen[cs]e|notice|copying)", f.name, re.IGNORECASE)]
    write(f"{said['Name']} {found.version}", licence.splitlines()[0], [Path(str(f.locate())) for f in texts])


def classified(found: Distribution) -> str:
    named = [c for c in found.metadata.get_all("Classifier") or () if c.startswith("License ::")]
    return named[-1].split("::")[-1].strip() if named else "see its text"


def page_packages() -> list[Path]:
    lock = json.loads((ROOT / "web" / "package-lock.json").read_text())["packages"]
    return [ROOT / "web" / path for path, facts in lock.items() if path and not facts.get("dev")]


def page_notice(path: Path) -> None:
    if not (path / "package.json").exists():
        return
    facts = json.loads((path / "package.json").read_text())
    texts = [
        f
        for f in sorted(path.iterdir())
        if re.match(r"(licen[cs]e|notice|copying|ofl)", f.name, re.IGNORECASE)
    ]
    write(f"{facts['name']} {facts['version']}", str(facts.get("license", "see its text")), texts)


def write(name: str, licence: str, texts: list[Path]) -> None:
    print(f"{RULE}\n{name} — {licence}")
    for text in texts:
        if text.is_file():
            print("\n" + text.read_text(errors="replace").strip())
    print()


if __name__ == "__main__":
    main()
