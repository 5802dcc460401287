"""Concepts, their prerequisites, and where a section stands in them."""
