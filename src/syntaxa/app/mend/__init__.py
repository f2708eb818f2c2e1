"""What Mend shows beside its findings: the sweep, comparing, trials, and reshaping on request."""
