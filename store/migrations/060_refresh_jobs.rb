# frozen_string_literal: true

# Two jobs have another name now. Those that wait are run under it.
Sequel.migration { up { run <<~SQL } }
      UPDATE que_jobs SET job_class = 'AskFirst::Jobs::RefreshAsked' WHERE job_class = 'AskFirst::Jobs::RestageAsked';
      UPDATE que_jobs SET job_class = 'AskFirst::Jobs::RefreshChannel' WHERE job_class = 'AskFirst::Jobs::RestageChannel';
    SQL
