@props(['title'])
<!DOCTYPE html>
<html lang="en">

<head>
    <meta charset="utf-8">
    <title>{{ $title }}</title>
    <style>
        @page {
            margin: 22mm 18mm;
        }

        body {
            font: 9.5pt 'DejaVu Sans';
            color: #1d2426;
        }

        h1 {
            font-size: 15pt;
            font-weight: normal;
            margin: 0 0 2mm;
        }

        .soft {
            color: #455053;
        }

        table {
            width: 100%;
            border-collapse: collapse;
            margin-top: 5mm;
        }

        th {
            text-align: left;
            font-weight: normal;
            color: #455053;
            border-bottom: 0.4pt solid #616c6f;
            padding: 1.2mm 1.5mm;
        }

        td {
            border-bottom: 0.2pt solid #c2b79f;
            padding: 1.2mm 1.5mm;
            vertical-align: top;
        }

        .n {
            text-align: right;
            white-space: nowrap;
        }

        .letterhead {
            margin-bottom: 6mm;
        }

        .letterhead img {
            max-height: 16mm;
            max-width: 60mm;
            margin-bottom: 2mm;
        }

        .foot {
            position: fixed;
            bottom: -14mm;
            left: 0;
            right: 0;
            font-size: 7.5pt;
            color: #455053;
            text-align: center;
        }

        tfoot td {
            border-bottom: 0;
            border-top: 0.4pt solid #616c6f;
            font-weight: bold;
        }
    </style>
</head>

<body>
    <x-paper-foot />
    {{ $slot }}
</body>

</html>
