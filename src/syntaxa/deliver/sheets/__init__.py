"""Sheets: paper, frame and title block, a scale, and views of what the job has come to."""
