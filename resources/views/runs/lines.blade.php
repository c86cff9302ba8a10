@include('runs.list', ['list' => 'taken', 'title' => $taken, 'window' => $windows['taken'], 'none' => 'Nothing.'])
@include('runs.list', ['list' => 'left', 'title' => $leftOut, 'window' => $windows['left'], 'none' => 'Nothing.'])
