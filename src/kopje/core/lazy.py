"""A value that is worked out when it is first asked for, and kept: `functools.cached_property` without its
lock.

Python 3.11's takes a lock at the first look at each object, which costs more than the small sums kept here;
from 3.12 on the standard one has no lock either, and this module can go."""

from __future__ import annotations

from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from functools import cached_property as lazy
else:

    class lazy:  # noqa: N801 (a decorator)
        def __init__(self, work):
            self.work, self.__doc__ = work, work.__doc__

        def __set_name__(self, owner, name):
            self.name = name

        def __get__(self, instance, owner=None):
            if instance is None:
                return self
            value = instance.__dict__[self.name] = self.work(instance)
            return value


__all__ = ["lazy"]
