"""Damaged jobs, steps of other versions, steps that fail, what is kept in memory, and what is never written."""

from __future__ import annotations

import gc
import json
import os
import stat
import threading
import weakref
import zipfile
from io import BytesIO

import pytest
from mutations import mutated
from specimens import damaged, dxf_of

from syntaxa.drawing.state import Sketch, State
from syntaxa.drawing.step import QUIET, Step
from syntaxa.errors import Cancelled, JobError, PasswordNeeded
from syntaxa.files import write_atomically
from syntaxa.intake.model import ReadOptions
from syntaxa.intake.steps import TakeIn
from syntaxa.job.cache import Cache
from syntaxa.job.evaluate import Evaluator
from syntaxa.job.model import Job, JobStep, Source, UnknownStep
from syntaxa.job.passwords import Passwords
from syntaxa.job.store import job_bytes, load_job, save_job
from syntaxa.measure.steps import ChooseUnit, ScaleBy, Turn
from syntaxa.mend.steps import MendFindings
from syntaxa.route.edits import GiveRole, MoveCurves
from syntaxa.watching import watched


def line_job(*steps):
    data = dxf_of(lambda s, _: s.add_line((0, 0), (10, 0), {"layer": "A"}), INSUNITS=4)
    job = Job.of(Source.of("line.dxf", data))
    for step in steps:
        job = job.with_step(step)
    return job


def repacked(data, change):
    """The job file with its job.json changed."""
    with zipfile.ZipFile(BytesIO(data)) as old:
        parts = {n: old.read(n) for n in old.namelist()}
    parts["job.json"] = change(parts["job.json"])
    out = BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as new:
        for name, content in parts.items():
            new.writestr(name, content)
    return out.getvalue()


def opened(path, data):
    path.write_bytes(data)
    try:
        return load_job(path)
    except JobError:
        return None


# ---------------------------------------------------------------------- damage


def test_a_damaged_job_opens_in_whole_or_in_part_or_is_refused_in_a_sentence(tmp_path):
    whole = job_bytes(line_job(ChooseUnit("in"), MoveCurves(("2F",), "x"), Turn(30.0), GiveRole(("2F",), "tapped")))
    went = [0, 0]
    for seed in range(3000):
        inside = seed % 2
        data = repacked(whole, lambda text, s=seed: mutated(text, s)) if inside else mutated(whole, seed)
        # A name of its own: a file that is written over waits for the disk.
        job = opened(tmp_path / f"{seed}.sxj", data)
        if job is not None:
            went[inside] += 1
            assert len(Evaluator().evaluate(job).ledger) == len(job.steps)
            assert opened(tmp_path / f"{seed} again.sxj", job_bytes(job)) == job
    # What still opens says that the damage was not so great that nothing was tried.
    assert min(went) > 0


@pytest.mark.parametrize(
    "text", [b"[" * 100_000, b'{"format":' + b'{"a":' * 50_000, b"null", b"[]", b'"x"', b"\xff\xfe"], ids=range(6)
)
def test_nested_and_odd_text_is_refused(tmp_path, text):
    assert opened(tmp_path / "x.sxj", repacked(job_bytes(line_job()), lambda _: text)) is None


def test_a_packing_that_nobody_knows_is_refused(tmp_path):
    data = bytearray(job_bytes(line_job()))
    for mark, at in ((b"PK\x03\x04", 8), (b"PK\x01\x02", 10)):
        data[data.index(mark) + at] = 99
    assert opened(tmp_path / "x.sxj", bytes(data)) is None


def test_two_steps_under_one_number_get_numbers_of_their_own(tmp_path):
    data = repacked(
        job_bytes(line_job(ChooseUnit("in"), Turn(30.0))), lambda t: t.replace(b'"number": 2', b'"number": 1')
    )
    job = opened(tmp_path / "x.sxj", data)
    assert [s.number for s in job.steps] == [1, 2]


# ---------------------------------------------------------------------- other versions


def test_a_step_of_another_version_is_kept_shown_skipped_and_saved_again(tmp_path):
    strange = {"type": "engrave", "depth": [1, {"deep": "er"}], "by": None}
    steps = (ChooseUnit("in"), MoveCurves(("2F",), "x"), GiveRole(("2F",), "tapped"))

    def with_strange(text):
        record = json.loads(text)
        record["steps"].insert(2, {"number": 9, "enabled": True, "step": strange})
        return json.dumps(record).encode()

    job = opened(tmp_path / "x.sxj", repacked(job_bytes(line_job(*steps)), with_strange))
    assert [s.number for s in job.steps] == [1, 2, 9, 3]
    evaluation = Evaluator().evaluate(job)
    row = evaluation.ledger[2]
    assert row.title == "Not understood: engrave"
    assert "does not know this step" in row.failed
    assert [c.roles for c in evaluation.state.curves()] == [("tapped",)]
    # It keeps its place where something is added, and comes back as it went.
    more = job.with_step(Turn(90.0)).with_step(MoveCurves(("2F",), "y"))
    save_job(more, tmp_path / "y.sxj")
    with zipfile.ZipFile(tmp_path / "y.sxj") as archive:
        stored = json.loads(archive.read("job.json"))["steps"]
    assert [s["step"].get("type") for s in stored][2:4] == ["move-curves", "engrave"]
    assert stored[3]["step"] == strange
    assert load_job(tmp_path / "y.sxj") == more


def test_a_known_step_with_what_this_version_cannot_read_is_kept_as_well(tmp_path):
    data = repacked(job_bytes(line_job(Turn(30.0))), lambda t: t.replace(b"30.0", b'"a third"'))
    job = opened(tmp_path / "x.sxj", data)
    assert isinstance(job.steps[0].step, UnknownStep)
    assert job.steps[0].step.title == "Not understood: turn"
    assert b"a third" in repacked(job_bytes(job), lambda t: t) or "a third" in job.steps[0].step.raw.decode()


class Broken(Step, frozen=True, tag="broken"):
    title = "Break"

    def apply(self, state, context=QUIET):
        raise ZeroDivisionError


def test_a_step_that_fails_as_nobody_foresaw_is_a_row_and_the_rest_is_done():
    job = line_job(ChooseUnit("in"))
    steps = (*job.steps, JobStep(7, Broken()), JobStep(8, MoveCurves(("2F",), "x")))
    evaluation = Evaluator().evaluate(Job(job.sources, steps))
    assert "A fault in the program stopped this step (ZeroDivisionError)" in evaluation.ledger[1].failed
    assert [s.name for s in evaluation.state.sketches] == ["x"]


# ---------------------------------------------------------------------- memory


def test_a_cache_keeps_what_was_used_last_within_its_bytes():
    cache = Cache(100)
    for k in range(10):
        cache.put(k, k, 30)
        assert cache.get(0) is not None or k > 0
        cache.get(0)
    assert cache.size == 90
    assert [cache.get(k) for k in (0, 8, 9)] == [0, 8, 9]
    cache.put("large", "x", 1000)
    assert (cache.get("large"), len(cache)) == ("x", 1)


def test_what_is_kept_is_bounded_however_much_is_tried():
    data = dxf_of(lambda s, _: [s.add_line((k, 0), (k, 1)) for k in range(400)], INSUNITS=4)
    job = Job.of(Source.of("many.dxf", data))
    evaluator = Evaluator(most=3 << 20)
    for k in range(60):
        evaluator.evaluate(job.with_step(ScaleBy(1 + k / 100)))
    assert 1 << 19 < evaluator.size <= 3 << 20


def test_the_size_that_is_told_is_about_what_it_takes():
    """Against the interpreter's own account of what was allocated."""
    import tracemalloc

    from syntaxa.intake.registry import read
    from syntaxa.job.cache import drawing_bytes

    def many(space, _):
        for k in range(2000):
            space.add_line((k, 0), (k, 1))
            space.add_lwpolyline([(k, 0), (k, 1), (k + 1, 1), (k, 2)])

    data = dxf_of(many, INSUNITS=4)
    read("x.dxf", data)
    gc.collect()
    tracemalloc.start()
    drawing = read("x.dxf", data).drawing
    gc.collect()
    taken = tracemalloc.get_traced_memory()[0]
    tracemalloc.stop()
    assert 0.5 < drawing_bytes(drawing) / taken < 2.0


def test_no_document_of_a_library_is_kept_once_it_was_read(monkeypatch):
    from syntaxa.intake.dxf import reader
    from syntaxa.intake.registry import read

    seen = []
    real = reader._document

    def noted(*arguments):
        found = real(*arguments)
        seen.append(weakref.ref(found[0]))
        return found

    monkeypatch.setattr(reader, "_document", noted)
    for k in range(3):
        read("x.dxf", dxf_of(lambda s, _, k=k: s.add_line((0, 0), (k + 1, 0))))
    assert len(seen) == 3
    assert [ref() for ref in seen] == [None, None, None]


def test_equal_files_under_two_numbers_keep_their_own_ids():
    source = line_job().source
    evaluator = Evaluator()
    pair = Job((source, msgspec_source(source, 2)))
    alone = Job((msgspec_source(source, 2),))
    ids = [c.id for c in evaluator.evaluate(pair).state.curves()]
    assert ids == ["2F", "2:2F"]
    assert [c.id for c in evaluator.evaluate(alone).state.curves()] == ["2:2F"]
    assert [c.id for c in evaluator.evaluate(line_job()).state.curves()] == ["2F"]


def msgspec_source(source, number):
    return Source(source.name, source.data, source.digest, number)


# ---------------------------------------------------------------------- stopping


def test_healing_stops_in_the_middle_of_a_step():
    _, curves = damaged("all", 1, 30)
    state = State(sketches=(Sketch("0", 0, tuple(curves)),))
    stop = threading.Event()
    asked = []

    def check():
        asked.append(1)
        if stop.is_set() or len(asked) > 6:
            raise Cancelled

    with watched(check), pytest.raises(Cancelled):
        MendFindings().apply(state)
    assert len(asked) == 7


def test_reading_by_the_recovering_way_can_be_stopped():
    from syntaxa.intake.dxf.reader import read

    data = dxf_of(lambda s, _: [s.add_line((k, 0), (k, 1)) for k in range(50)])
    broken = data.replace(b"ENDSEC", b"ENDSUC", 1)
    asked = []

    def check():
        asked.append(1)
        if len(asked) > 20:
            raise Cancelled

    with watched(check), pytest.raises(Cancelled):
        read("x.dxf", broken, lambda _: None)


# ---------------------------------------------------------------------- passwords


class Ring:
    def __init__(self):
        self.kept = {}

    def get_password(self, service, name):
        return self.kept.get((service, name))

    def set_password(self, service, name, password):
        self.kept[service, name] = password


def locked_pdf():
    import pikepdf

    pdf = pikepdf.new()
    page = pdf.add_blank_page(page_size=(100, 100))
    page.Contents = pdf.make_stream(b"10 10 m 60 10 l S")
    out = BytesIO()
    pdf.save(out, encryption=pikepdf.Encryption(owner="o", user="pump house 7"))
    return out.getvalue()


def test_a_password_is_in_no_file_and_the_job_opens_by_the_key_ring(tmp_path, monkeypatch):
    ring = Ring()
    known = Passwords(lambda: ring)
    monkeypatch.setattr("syntaxa.job.store.PASSWORDS", known)
    source = Source.of("plate.pdf", locked_pdf())
    typed = TakeIn(read=ReadOptions(password="pump house 7"))
    job = Job.of(source).with_step(typed)
    assert len(list(Evaluator(passwords=known).evaluate(job).state.curves())) == 1
    path = tmp_path / "x.sxj"
    save_job(job, path)
    known.keep(source.digest)
    with zipfile.ZipFile(path) as archive:
        assert b"pump" not in archive.read("job.json")
    # Another day: from the ring; where there is none it is asked for.
    later = load_job(path)
    assert len(list(Evaluator(passwords=Passwords(lambda: ring)).evaluate(later).state.curves())) == 1
    with pytest.raises(PasswordNeeded):
        Evaluator(passwords=Passwords(lambda: None)).evaluate(later)


def test_a_job_of_before_opens_and_its_password_leaves_it(tmp_path, monkeypatch):
    known = Passwords(lambda: None)
    monkeypatch.setattr("syntaxa.job.store.PASSWORDS", known)
    source = Source.of("plate.pdf", locked_pdf())
    plain = job_bytes(Job.of(source).with_step(TakeIn(read=ReadOptions(page=1, density=72.0, password=""))))
    old = repacked(plain, lambda t: t.replace(b'"density": 72.0', b'"density": 72.0, "password": "pump house 7"'))
    job = opened(tmp_path / "old.sxj", old)
    assert job.reading().password == ""
    assert len(list(Evaluator(passwords=known).evaluate(job).state.curves())) == 1
    assert b"pump" not in repacked(job_bytes(job), lambda t: t)


def test_a_key_ring_that_fails_is_as_none():
    class Bad(Ring):
        def get_password(self, service, name):
            raise OSError("no bus")

    assert Passwords(Bad).of("x") == ""


# ---------------------------------------------------------------------- files


def test_saving_through_a_link_keeps_the_link_and_the_mode(tmp_path):
    real, link = tmp_path / "real.sxj", tmp_path / "link.sxj"
    real.write_bytes(b"old")
    real.chmod(0o640)
    link.symlink_to(real)
    write_atomically(link, b"new")
    assert link.is_symlink()
    assert real.read_bytes() == b"new"
    assert stat.S_IMODE(os.stat(real).st_mode) == 0o640
    assert sorted(p.name for p in tmp_path.iterdir()) == ["link.sxj", "real.sxj"]
