"""syntaxa pack: everything that leaves the house, in one package."""

from __future__ import annotations

import argparse
import time
from pathlib import Path

from syntaxa.cli.arguments import UsageError
from syntaxa.cli.cut import cut_steps
from syntaxa.cli.kernel import solid_evaluator
from syntaxa.cli.records import PackedFileRecord, PackRecord
from syntaxa.cli.tables import table
from syntaxa.cli.whole import doubts_of, whole_job
from syntaxa.deliver.write import Output
from syntaxa.job.handover import USUAL, Handover, check_wanted, hand_over, kinds_in


def pack_file(options: argparse.Namespace) -> PackRecord:
    """Does all that the options ask for and writes the package."""
    output = Path(options.output)
    if output.suffix.lower() != ".zip":
        raise UsageError("A package ends in .zip.")
    kinds = kinds_in(options.kinds.split(",")) if options.kinds else USUAL
    wanted = Handover(kinds, options.names, options.rev, Output(options.output_unit, beside=options.beside))
    check_wanted(wanted)
    evaluator = solid_evaluator()
    job, evaluation = whole_job(options, evaluator)
    if options.machine:
        for step in cut_steps(options):
            job = job.with_step(step)
        evaluation = evaluator.evaluate(job)
    made = time.strftime("%d %B %Y, %H:%M")
    package = hand_over(job, evaluation, evaluator, wanted, output, made, is_asked=bool(options.kinds))
    files = [PackedFileRecord(name, size, digest) for name, size, digest in package.digests()]
    doubts = doubts_of(options, job, evaluation)
    return PackRecord("syntaxa.pack/1", files, [str(output)], [*doubts, *package.notes], not doubts)


def print_packed(record: PackRecord) -> None:
    """The record for people."""
    print(table(("File", "Bytes", "SHA-256"), [(f.name, f.bytes, f.sha256[:16]) for f in record.files]))
    for output in record.outputs:
        print(f"Written: {output}")
    for note in record.notes:
        print(note)
