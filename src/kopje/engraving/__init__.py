"""Notation from core values: MEI, then SVG by verovio in a process of its own."""
