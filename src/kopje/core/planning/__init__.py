"""Activities, templates, and the composing of a lesson."""
