"""What is turned away before anything is looked at: a host that is not ours, a body beyond all measure."""

from __future__ import annotations

from collections.abc import Callable
from ipaddress import ip_address

from starlette.datastructures import Headers
from starlette.requests import ClientDisconnect
from starlette.responses import Response
from starlette.types import ASGIApp, Message, Receive, Scope, Send

MOST_BODY = 2 << 20  # bytes of what a page sends
MOST_FILES = 32 << 20  # bytes of files together
Refuse = Callable[[int, str], Response]


class Hosts:
    """Only requests for a host that this Kopje is known by. A page from elsewhere cannot be made to speak to
    it by a name of its own (DNS rebinding): a bare address cannot be rebound, a name must be told to us."""

    def __init__(self, app: ASGIApp, names: frozenset[str], refuse: Refuse) -> None:
        self.app, self.names, self.refuse = app, names, refuse

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] == "http" and not self._ours(Headers(scope=scope).get("host", "")):
            await self.refuse(421, "host_unknown")(scope, receive, send)
            return
        await self.app(scope, receive, send)

    def _ours(self, host: str) -> bool:
        name = host.rsplit(":", 1)[0] if not host.endswith("]") else host
        if name.lower().rstrip(".") in self.names:
            return True
        try:
            ip_address(name.strip("[]"))
        except ValueError:
            return False
        return True


class Bodies:
    """A body is read no further than it may be long, whatever its head says."""

    def __init__(self, app: ASGIApp, refuse: Refuse) -> None:
        self.app, self.refuse = app, refuse

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return
        headers = Headers(scope=scope)
        files = headers.get("content-type", "").startswith("multipart/form-data")
        most, told = MOST_FILES if files else MOST_BODY, headers.get("content-length", "0")
        if not (told.isascii() and told.isdigit()) or int(told[:12]) > most:
            await self.refuse(413, "body_too_large")(scope, receive, send)
            return
        read, begun, over = 0, False, False

        async def counted() -> Message:
            nonlocal read, over
            message = await receive()
            read += len(message.get("body", b""))
            over = over or read > most
            return {"type": "http.disconnect"} if over else message

        async def watched(message: Message) -> None:
            """What the application answers to half a body is not what is to be said of it."""
            nonlocal begun
            if not over or begun:
                begun = True
                await send(message)

        try:
            await self.app(scope, counted, watched)
        except ClientDisconnect:
            if not over:
                raise
        if over and not begun:
            await self.refuse(413, "body_too_large")(scope, receive, send)
