"""What the main window does for Deliver: writing profiles, and the account of the mending."""

from __future__ import annotations

import time

from syntaxa.app.mend.window import MendWindow
from syntaxa.app.report_pdf import pdf_of
from syntaxa.app.tasks import Lane
from syntaxa.deliver.write import Delivered, deliver
from syntaxa.errors import Progress
from syntaxa.job.account import report_bytes, write_report


class DeliverWindow(MendWindow):
    """The methods behind the Deliver panel; the main window makes the parts."""

    deliveries: Lane

    def show_deliver(self) -> None:
        """Goes to Deliver."""
        raise NotImplementedError

    def ask_deliver(self) -> None:
        """Asks for a file and writes the profiles to it."""
        self.show_deliver()
        state = self.session.state
        if state is None:
            return
        ending = self.deliver.ending
        path = self._choosers.save_profiles(self, self.settings.values.folder, self.session.name, ending)
        if path is None:
            return
        if path.suffix.lower() != ending:
            path = path.with_name(path.name + ending)
        output = self.deliver.output

        def write(progress: Progress) -> Delivered:
            progress(0.1)
            return deliver(state, path, output)

        def written(done: Delivered) -> None:
            self.deliver.tell_written(path, done)
            self.status.tell(f"Wrote {path.name}.")

        self.deliveries.run(f"Writing {path.name}", write, written, self.complain)

    def ask_account(self) -> None:
        """Asks for a file and writes what was mended, to be sent to a client."""
        path = self._choosers.save_account(self, self.settings.values.folder, self.session.name)
        if path is None or self.session.job is None:
            return

        def write(progress: Progress) -> None:
            made = time.strftime("%d %B %Y, %H:%M")
            ending = path.suffix.lower()
            accounted = self.session.account(progress)
            if ending == ".pdf":
                write_report(path, pdf_of(report_bytes(accounted, ".html", made).decode()))
            else:
                write_report(path, report_bytes(accounted, ending, made))

        def written(_nothing: None) -> None:
            self.status.tell(f"Wrote {path.name}.")

        self.deliveries.run(f"Writing {path.name}", write, written, self.complain)
