"""What the larder says of itself to whoever runs it: a line an event."""

import structlog


def plain_logs() -> None:
    """Tracebacks as Python writes them: a coloured one with the source around it takes seconds, and somebody waits."""
    structlog.configure(
        processors=[
            structlog.contextvars.merge_contextvars,
            structlog.processors.add_log_level,
            structlog.processors.TimeStamper(fmt="%Y-%m-%d %H:%M:%S", utc=False),
            structlog.dev.ConsoleRenderer(exception_formatter=structlog.dev.plain_traceback),
        ]
    )
