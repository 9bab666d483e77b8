"""Work for the background: one task a child, so that several workers share a caseload."""

from procrastinate.contrib.django import app

from planning.batch_actions import plan_line


@app.task(name="plan_child", retry=2)
def plan_child(line_id: int) -> None:
    """Make the plan of one line of a batch."""
    plan_line(line_id)
