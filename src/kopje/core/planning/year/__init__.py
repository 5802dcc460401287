"""Laying the arcs of a section over its real lessons: demand, supply, plans and what gives way."""
