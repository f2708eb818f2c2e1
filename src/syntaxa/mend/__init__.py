"""Findings, fixes, arrangement and regions: damaged curves become closed profiles."""
