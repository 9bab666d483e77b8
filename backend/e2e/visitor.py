"""Somebody who signs in to a server and asks its API, without a browser."""

import json
from http.client import HTTPConnection
from http.cookiejar import CookieJar
from urllib.parse import urlsplit
from urllib.request import HTTPCookieProcessor, Request, build_opener


class Visitor:
    """Keeps the cookies of one person at one address, as a browser would. address: with its last slash."""

    def __init__(self, address: str) -> None:
        self.address = address
        self.jar = CookieJar()
        self.opener = build_opener(HTTPCookieProcessor(self.jar))

    def sign_in(self, username: str, password: str) -> object:
        """Who was signed in. Raises HTTPError, URLError or ConnectionError where nobody could be."""
        self.opener.open(self.address, timeout=60).close()  # the page brings the token
        return self.ask("POST", "/session", {"username": username, "password": password})

    def ask(self, method: str, path: str, body: object = None) -> object:
        """What the API answers. Raises HTTPError where it refuses."""
        content = json.dumps(body).encode() if body is not None else None
        request = Request(f"{self.address}api{path}", content, self._headers(), method=method)
        with self.opener.open(request, timeout=60) as answer:
            return json.loads(answer.read() or "null")

    def ask_and_leave(self, method: str, path: str, body: object) -> None:
        """Ask, and hang up before the answer."""
        connection = HTTPConnection(urlsplit(self.address).netloc, timeout=60)
        cookies = "; ".join(f"{c.name}={c.value}" for c in self.jar)
        connection.request(method, f"/api{path}", json.dumps(body), {**self._headers(), "Cookie": cookies})
        connection.close()

    def _headers(self) -> dict[str, str]:
        token = next((c.value for c in self.jar if c.name == "csrftoken"), "") or ""
        return {"Content-Type": "application/json", "X-CSRFToken": token}
