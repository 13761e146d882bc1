"""The tables the rules stand on."""
