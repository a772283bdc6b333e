"""Asking for long work, giving up waiting for it, and carrying it out in a worker process."""

import hashlib
import json
from collections.abc import Callable
from datetime import timedelta
from time import monotonic
from typing import Any

from django.db import InterfaceError, OperationalError, transaction
from django.db.models import QuerySet
from django.utils import timezone
from faircorner.cues import Heard
from faircorner.errors import InputError
from faircorner.said import Said
from procrastinate.contrib.django import app

from server.long_work.models import State, Waiter, Work
from server.schools.models import Member, School

__all__ = ["CARRY_OUT", "ask", "carry_out", "forget", "give_up", "long_work"]

# From the school and what was asked, the answer as JSON.
Carried = Callable[[School, dict[str, Any], Heard], Any]

# What the queue calls the task that a worker carries out.
CARRY_OUT = "carry out work"
# A piece of work may take so long, s; everything that is asked for on screen takes far less.
LIMIT = 120.0
# Whoever has not asked for so long has gone, and what nobody waits for is not worked out.
PATIENCE = timedelta(seconds=20)
# How far it is, is written down at most so often, s.
_EVERY = 0.4
# What failed is told for so long to whoever asks; after that it is tried again.
_FAILED_FOR = timedelta(minutes=1)
# Whoever carries work out tells of it far more often; after so long nobody does any more.
_LOST = timedelta(minutes=1)
# Everything here can be worked out again, so it is not kept for ever.
_KEPT = timedelta(days=30)

_registered: dict[str, Carried] = {}


class _Stopped(Exception):
    """Nobody waits for it any more."""


class _TooLong(Exception):
    """It has taken longer than work may."""


class _ToBeTakenUp(Exception):
    """The worker is asked to end; another one takes it up."""


def long_work(name: str) -> Callable[[Carried], Carried]:
    """Register what carries out work of a name. Done in an app's `tasks`, which workers load."""

    def register(carried: Carried) -> Carried:
        _registered[name] = carried
        return carried

    return register


def ask(member: Member, name: str, asked: dict[str, Any], *, version: str) -> Work:
    """The work of that name on what is asked: begun when it is not yet, else as far as it is.

    Asking again is waiting for it: who stops asking no longer does. version names the form of
    the answer, so that a newer application never answers with an older one's. Raises InputError
    where the work failed.
    """
    text = json.dumps([asked, version], sort_keys=True)
    key = hashlib.sha256(text.encode()).hexdigest()
    with transaction.atomic():
        work, made = Work.objects.select_for_update().get_or_create(
            school=member.school, name=name, key=key, defaults={"asked": asked}
        )
        if made or _to_be_tried_again(work):
            _begin(work)
        if work.state in {State.WAITING, State.UNDER_WAY}:
            Waiter.objects.update_or_create(
                work=work, member=member, defaults={"asked": timezone.now()}
            )
    if work.state == State.FAILED:
        raise InputError(work.field, Said.of(work.problem or Said().document()))
    return work


def _to_be_tried_again(work: Work) -> bool:
    since = timezone.now() - work.changed
    return (
        work.state == State.STOPPED
        or (work.state == State.FAILED and since > _FAILED_FOR)
        or (work.state == State.UNDER_WAY and since > _LOST)
    )


def _begin(work: Work) -> None:
    work.state, work.share, work.field, work.problem = State.WAITING, 0.0, "", None
    work.save()
    app.configure_task(CARRY_OUT).defer(work=work.pk)


def give_up(member: Member, work: Work) -> None:
    """Wait for it no longer; it stops unless somebody else does."""
    Waiter.objects.filter(work=work, member=member).delete()
    if not _waited_for(work):
        going = Work.objects.filter(pk=work.pk, state__in=[State.WAITING, State.UNDER_WAY])
        going.update(state=State.STOPPED)


def _waited_for(work: Work) -> bool:
    return Waiter.objects.filter(work=work, asked__gt=timezone.now() - PATIENCE).exists()


def carry_out(pk: int, ending: Callable[[], bool]) -> bool:
    """Work it out, in a worker process; whatever comes of it is written down in the work itself.

    Returns False where the worker was ending, so that another one has to take it up. Raises
    OperationalError or InterfaceError where the database has gone.
    """
    work = Work.objects.select_related("school").filter(pk=pk).first()
    if work is None or work.state not in {State.WAITING, State.UNDER_WAY}:
        return True
    kept = Work.objects.filter(pk=pk, state__in=[State.WAITING, State.UNDER_WAY])
    try:
        result = _registered[work.name](work.school, work.asked, _hearing(work, ending))
    except _ToBeTakenUp:
        return False
    except _Stopped:
        kept.update(state=State.STOPPED)
    except _TooLong:
        _failed(kept, InputError("", Said("took too long", seconds=int(LIMIT))))
    except InputError as error:
        _failed(kept, error)
    except (OperationalError, InterfaceError):
        # The database has gone, and with it where to write down what came of it: it begins anew.
        raise
    except Exception:
        _failed(kept, InputError("", Said("went wrong")))
        raise  # the queue logs it
    else:
        kept.update(state=State.DONE, share=1.0, result=result, changed=timezone.now())
    Waiter.objects.filter(work=pk).delete()
    return True


def _failed(work: QuerySet[Work], why: InputError) -> None:
    problem = why.said.document()
    work.update(state=State.FAILED, field=why.field, problem=problem, changed=timezone.now())


def _hearing(work: Work, ending: Callable[[], bool]) -> Heard:
    """Writes down how far it is; ends what has become too long or is waited for by nobody."""
    begun, last = monotonic(), float("-inf")

    def heard(share: float) -> None:
        nonlocal last
        now = monotonic()
        if ending():
            raise _ToBeTakenUp
        if now - begun > LIMIT:
            raise _TooLong
        if now - last < _EVERY:
            return
        last = now
        going = Work.objects.filter(pk=work.pk, state__in=[State.WAITING, State.UNDER_WAY])
        told = {"state": State.UNDER_WAY, "share": share, "changed": timezone.now()}
        if not _waited_for(work) or not going.update(**told):
            raise _Stopped

    return heard


def forget() -> None:
    """Take away what nobody has needed for a month."""
    Work.objects.filter(changed__lt=timezone.now() - _KEPT).delete()
