-- A count locks its lot while it reads the balance, and a lock needs a right to change something: the expiry, which a
-- supplier may prolong. The balance itself stays with the trigger.
grant update (expires_on) on lot to elmhorn_app;
