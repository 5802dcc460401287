"""One module a noun; each route is a few lines."""
