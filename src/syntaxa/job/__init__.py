"""The job: sources, steps, evaluation with caching, ledger and store."""
