"""In the room: what happened is taken, and what was kept aside is settled."""
