"""Whoever asks a server without a browser: kept, for a new one would first read all the certificates of the machine."""

import httpx

asking = httpx.Client(verify=False, trust_env=False, limits=httpx.Limits(max_keepalive_connections=0), timeout=60)
"""On this machine nobody has a certificate, and no connection outlives a server that is killed; it may stand still."""
