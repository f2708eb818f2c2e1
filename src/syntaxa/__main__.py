"""`python -m syntaxa`."""

import sys

from syntaxa.program import main

sys.exit(main())
