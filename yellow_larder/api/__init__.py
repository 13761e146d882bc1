"""The web interface: routers, one per place on screen; no rules, no state."""
